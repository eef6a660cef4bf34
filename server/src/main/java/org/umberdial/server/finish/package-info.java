/**
 * The stage Finish: a player by its sound and its signs, work on mechanics and looks, the dial, alignment and gain,
 * figures of radio frequency, the listening test.
 */
package org.umberdial.server.finish;
