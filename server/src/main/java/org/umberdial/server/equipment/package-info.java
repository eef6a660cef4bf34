/** What the shop can measure with, what its instruments showed on known-good parts, and its stock. */
package org.umberdial.server.equipment;
