package app.loculus.app.api.storage;

import app.loculus.app.store.disk.DataFolder;
import app.loculus.app.store.disk.Disk;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Tells whether what is done can be kept, and which copies there are. */
@RestController
class StorageController {

    /** One copy of the database. */
    record CopyView(String name, String madeAt, long octets) {}

    /**
     * @param trouble why nothing can be written, empty when all is well
     * @param octets size of the database's file
     * @param freeOctets room on the disk
     * @param copies newest first
     */
    record StorageView(String trouble, String folder, long octets, long freeOctets, List<CopyView> copies) {}

    private final Disk disk;
    private final DataFolder folder;

    StorageController(Disk disk, DataFolder folder) {
        this.disk = disk;
        this.folder = folder;
    }

    @GetMapping("/api/storage")
    StorageView storage() {
        return new StorageView(
                disk.trouble(),
                folder.path().toString(),
                folder.octets(),
                folder.free(),
                folder.copies().stream()
                        .map(c -> new CopyView(c.name(), c.madeAt().toString(), c.octets()))
                        .toList());
    }
}
