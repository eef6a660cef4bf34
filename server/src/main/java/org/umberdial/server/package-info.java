/**
 * HTTP, storage and security around the core. One package per feature: its service and records at the root, controllers
 * and tables in {@code internal}. Controllers hold no rules, jOOQ types never leave {@code internal}.
 */
package org.umberdial.server;
