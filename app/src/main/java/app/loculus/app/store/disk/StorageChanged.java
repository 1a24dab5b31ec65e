package app.loculus.app.store.disk;

/** Published when writing becomes impossible or possible again. @param trouble in words; empty when all is well */
public record StorageChanged(String trouble) {}
