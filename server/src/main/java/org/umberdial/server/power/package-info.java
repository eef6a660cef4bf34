/** First power: plans, what stands before it, runs that are watched, and the instruments they are read from. */
package org.umberdial.server.power;
