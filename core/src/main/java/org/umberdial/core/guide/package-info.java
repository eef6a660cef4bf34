/** What to do next: the acts of all areas, ranked, and the two gates they have to pass. The only place that says so. */
package org.umberdial.core.guide;
