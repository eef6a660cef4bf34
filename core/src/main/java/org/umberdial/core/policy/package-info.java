/**
 * House policy: what a shop decides for itself. Every limit that is a matter of judgement is here, with its default.
 */
package org.umberdial.core.policy;
