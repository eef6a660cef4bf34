/** Tube types: what ships with the application, and what each shop knows itself. */
package org.umberdial.server.tubes;
