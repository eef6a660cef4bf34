/** What to do next, as every screen shows it. */
package org.umberdial.server.guide;
