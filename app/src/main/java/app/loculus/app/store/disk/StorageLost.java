package app.loculus.app.store.disk;

/** Published when the database had to be opened again: whoever holds something of it in memory reads it anew. */
public record StorageLost() {}
