/** Runs in which an electrolytic is brought back: begun, sampled by hand, ended with a reading of the part. */
package org.umberdial.server.reform;
