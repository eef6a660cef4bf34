/** Where a set stands: the areas in working order, and the one page that says what is proven, open, barred and next. */
package org.umberdial.core.stands;
