/** The front page of a set: where it stands, what bars it, what is next, what changed since one last looked. */
package org.umberdial.server.stands;
