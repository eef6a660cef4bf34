/** What each part of a circuit does, found from the network, so that a part nobody named has a name. */
package org.umberdial.core.role;
