/** Practice sets of a shop: begun, worked on, looked back at. */
package org.umberdial.server.practice;
