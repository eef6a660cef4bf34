/** Parts that are made and sold: what ships with the application, and what a shop adds or leaves out. */
package org.umberdial.core.catalogue;
