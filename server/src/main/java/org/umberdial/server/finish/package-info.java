/** The stage Finish: for now the player in a set, its speed by sound, its drive, its signs and checks. */
package org.umberdial.server.finish;
