/** The listening test: what is heard of a set that has its voltages right, and what a bad answer starts. */
package org.umberdial.core.listening;
