package app.loculus.app.session;

import app.loculus.app.store.KeyStore;
import app.loculus.app.store.ShowStore;
import app.loculus.app.store.disk.Disk;
import app.loculus.app.store.disk.Kept;
import org.springframework.stereotype.Component;

/** Everything an open show needs to keep what was done to it. */
@Component
record Keeper(ShowStore store, KeyStore keys, Disk disk, Kept kept) {}
