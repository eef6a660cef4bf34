/** The tables and the answers of practice. */
package org.umberdial.server.practice.internal;
