package org.umberdial.launcher;

/** A generation whose database runs. */
record Opened(Generation generation, Process database, Access access) implements AutoCloseable {
    static Opened start(Generation generation) {
        Access access = Database.access();
        return new Opened(generation, generation.database().start(access), access);
    }

    Tables tables() {
        return new Tables(access, Access.SCHEMA);
    }

    @Override
    public void close() {
        Database.stop(database.toHandle());
    }
}
