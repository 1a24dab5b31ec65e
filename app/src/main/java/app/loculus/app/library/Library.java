package app.loculus.app.library;

import app.loculus.app.store.ProfileStore;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** What can be patched beside what a show holds already. Safe to share between threads. */
@Service
public class Library {

    /** How a profile came into the library. */
    public enum Origin {
        SHIPPED,
        IMPORTED,
        BUILT
    }

    /** Published after the library has changed. */
    public record Changed() {}

    private final Profiles shipped;
    private final ProfileStore store;
    private final ApplicationEventPublisher events;
    private volatile List<ProfileStore.Shelved> shelf;
    private volatile Profiles all;

    Library(@Qualifier("shipped") Profiles shipped, ProfileStore store, ApplicationEventPublisher events) {
        this.shipped = shipped;
        this.store = store;
        this.events = events;
        reload();
    }

    private void reload() {
        shelf = store.shelf();
        all = new Profiles(shelf.stream().map(ProfileStore.Shelved::profile).toList()).orElse(shipped);
    }

    public Profiles profiles() {
        return all;
    }

    public Origin origin(ProfileId id) {
        return shelf.stream()
                .filter(s -> s.profile().id().equals(id))
                .findFirst()
                .map(s -> s.origin().equals("built") ? Origin.BUILT : Origin.IMPORTED)
                .orElse(Origin.SHIPPED);
    }

    /** The library's own profile for one that a show holds, if it is another one by now. */
    public Optional<Profile> newer(Profile held) {
        return all.all().stream()
                .filter(p -> p.fullName().equals(held.fullName()) && !p.id().equals(held.id()))
                .findFirst();
    }

    /** @param origin imported or built */
    public synchronized void add(Profile profile, Origin origin) {
        shelf.stream()
                .map(ProfileStore.Shelved::profile)
                .filter(p -> p.fullName().equals(profile.fullName()) && !p.id().equals(profile.id()))
                .forEach(p -> store.unshelve(p.id()));
        store.shelve(profile, origin == Origin.BUILT ? "built" : "imported");
        reload();
        events.publishEvent(new Changed());
    }

    /** Takes a profile off the shelf; shows that hold it keep it. */
    public synchronized void remove(ProfileId id) {
        if (shelf.stream().noneMatch(s -> s.profile().id().equals(id))) {
            throw Refusal.of(
                    "library.shipped",
                    "profile",
                    "This profile came with the application or is not in the library.",
                    WayOut.advice("Only profiles that were added can be taken out."));
        }
        store.unshelve(id);
        reload();
        events.publishEvent(new Changed());
    }
}
