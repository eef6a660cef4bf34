/** What the shop can measure with, how far each instrument reaches, and what it showed on known-good parts. */
package org.umberdial.server.instrument;
