/**
 * Keeps a shop standing. A {@link org.umberdial.launcher.Place} is the folder of one shop; its tables live in a
 * {@link org.umberdial.launcher.Generation}, a whole MariaDB data folder. Whatever changes more than rows (first start,
 * upgrade, restore) works on a generation that nobody uses yet and becomes the shop by one rename, so that a cut at any
 * moment leaves the old shop or the new one. {@link org.umberdial.launcher.Keeper} runs database and application and
 * starts again what ends by itself.
 */
package org.umberdial.launcher;
