/** Taking a set in: its label, what comes off it, what is seen at it, what its owner says, whether it is worth it. */
package org.umberdial.server.arrival;
