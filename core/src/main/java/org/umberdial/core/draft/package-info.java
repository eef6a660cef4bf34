/**
 * A set's circuit drafted from its line-up: what each tube is says which stages there are, and each stage is a small
 * network with usual values.
 *
 * <p>Whatever is drafted is as such sets are usually built. It helps to expect something, and accuses no part until it
 * is compared with the set's own schematic.
 */
package org.umberdial.core.draft;
