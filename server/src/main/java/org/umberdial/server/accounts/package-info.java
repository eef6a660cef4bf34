/** People of a shop: how they come in, what they may do, and what happened to their accounts. */
package org.umberdial.server.accounts;
