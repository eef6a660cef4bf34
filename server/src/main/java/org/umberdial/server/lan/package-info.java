/** The shop's own network: a second, encrypted door beside the one on loopback, open only when asked for. */
package org.umberdial.server.lan;
