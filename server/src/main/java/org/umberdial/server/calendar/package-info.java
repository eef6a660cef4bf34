/** What a shop's sets wait for, as a calendar: a file, and a link that a calendar program fetches by itself. */
package org.umberdial.server.calendar;
