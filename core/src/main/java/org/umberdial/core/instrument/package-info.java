/** What a bench can measure with, and how far each instrument reaches. */
package org.umberdial.core.instrument;
