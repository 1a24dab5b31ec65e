package app.loculus.app.api.storage;

import app.loculus.app.store.disk.Disk;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Up only when what is done can be kept. */
@RestController
class HealthController {

    /** @param status UP or DOWN */
    record Health(String status, String trouble) {}

    private final Disk disk;

    HealthController(Disk disk) {
        this.disk = disk;
    }

    @GetMapping("/actuator/health")
    ResponseEntity<Health> health() {
        String trouble = disk.trouble();
        return trouble.isEmpty()
                ? ResponseEntity.ok(new Health("UP", ""))
                : ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).body(new Health("DOWN", trouble));
    }
}
