package org.umberdial.server.power;

/** A run that goes on, or whose supply is not read empty yet. */
public record GoingRun(String id, String setId, String title, Run.State state) {}
