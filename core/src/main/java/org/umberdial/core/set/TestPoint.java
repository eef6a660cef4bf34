package org.umberdial.core.set;

/**
 * A place to put the probe.
 *
 * @param id stable
 * @param node node of the network, lower case
 * @param name what people call it, for example {@code V4 plate}
 * @param socket socket reference such as {@code V4}, empty when it is not at a tube
 * @param pin pin of the socket, empty when it is not at a tube
 * @param hint where to find it, for example {@code can, first section}; may be empty
 */
public record TestPoint(String id, String node, String name, String socket, String pin, String hint) {}
