package org.umberdial.server.power;

/** An instrument of the shop that answers on the network. */
public record Link(String id, String name, String host, int port, Profile profile) {}
