package org.umberdial.server.security;

/** Whose request this is: the shop it may touch and the person it is written down for. */
public record Caller(String shopId, String author) {}
