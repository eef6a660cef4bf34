/** What the sets of a shop wait for by themselves: parts on their way, capacitors on their volts. */
package org.umberdial.server.waits;
