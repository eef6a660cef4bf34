/** What is proven of each part and each point, and what is left: the state behind the marks of the proof map. */
package org.umberdial.core.proof;
