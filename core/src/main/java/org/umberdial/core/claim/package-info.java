/**
 * What can be known of a part, what was observed of it, and what holds. A {@link org.umberdial.core.claim.Claim} is one
 * aspect of one thing; an {@link org.umberdial.core.claim.Observation} says something of it with a strength; the
 * {@link org.umberdial.core.claim.Ledger} is the one place that says what is known.
 *
 * <p>Strength, the strongest first: a lead lifted, the part by itself, in its circuit, seen, told, inferred from
 * voltages. The latest sufficient observation holds; a weaker one that contradicts is shown beside it as a conflict and
 * overrules nothing, unless it cannot be wrong: paths beside a part only lower its ohms, so too many are conclusive in
 * circuit too. A replacement ends the validity of all that came before it.
 */
package org.umberdial.core.claim;
