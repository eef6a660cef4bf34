package org.umberdial.launcher;

/**
 * Told of each point at which an end without warning could leave something half done. Nobody listens but tests, which
 * end the process there.
 */
@FunctionalInterface
public interface Steps {
    Steps NONE = step -> {};

    void reached(String step);
}
