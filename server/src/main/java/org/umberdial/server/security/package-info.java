/**
 * Safe by default: loopback only, known host names only, writes from the same origin only, no inline script. Who calls
 * is settled once per request, from the session's name and the account as it is at that moment.
 */
package org.umberdial.server.security;
