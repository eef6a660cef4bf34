/** How the machine itself stands: room on its disk, and what went wrong lately and was put right. */
package org.umberdial.server.standing;
