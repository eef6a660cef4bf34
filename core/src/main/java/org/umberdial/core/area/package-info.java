/**
 * What an area of the work is, and the set it works on. An area says which claims it can settle, draws observations
 * from the evidence, offers acts, and names what bars power or hands. No area imports another: what two share is here
 * or in the other rooms of the middle.
 */
package org.umberdial.core.area;
