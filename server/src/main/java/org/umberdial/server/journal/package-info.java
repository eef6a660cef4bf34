/** What was done, found and said at a set, append-only; its log puts the readings beside it. */
package org.umberdial.server.journal;
