/**
 * Safe by default: loopback only, known host names only, writes from the same origin only, no inline script. There are
 * no accounts yet; the person at the machine acts for its one shop. Accounts replace {@code LocalCallerFilter}.
 */
package org.umberdial.server.security;
