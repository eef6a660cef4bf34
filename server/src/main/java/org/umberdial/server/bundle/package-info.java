/** A whole set in one file, and back: a zip of open formats. The owner's name and address stay at home. */
package org.umberdial.server.bundle;
