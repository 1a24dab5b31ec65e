package app.loculus.app.api.profiles;

import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Family;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.check.ProfileCheck;
import app.loculus.core.profile.check.ProfileDifference;
import app.loculus.formats.gdtf.ArchiveReader;
import app.loculus.formats.gdtf.ArchiveWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** The library: lists profiles, shows one, takes files in and gives them out. */
@RestController
class ProfilesController {

    record ModeSummary(String name, int slots) {}

    /**
     * @param inUse fixtures of the live show
     * @param origin shipped, imported, built, or show for one that only the show holds
     * @param differs how the library's profile differs from the show's copy; empty when it does not
     */
    record ProfileSummary(
            String id,
            String maker,
            String name,
            String family,
            List<ModeSummary> modes,
            int inUse,
            String origin,
            List<String> differs) {}

    /** @param profile id of what was taken in, empty when the file was refused */
    record FileResult(
            String file,
            String profile,
            String name,
            boolean replaces,
            List<String> remarks,
            List<ProblemView> problems) {}

    private final Library library;
    private final Shows shows;

    ProfilesController(Library library, Shows shows) {
        this.library = library;
        this.shows = shows;
    }

    /** Those in use in the live show first, then by maker and name. */
    @GetMapping("/api/profiles")
    List<ProfileSummary> list() {
        Profiles held = held();
        return held.orElse(library.profiles()).all().stream()
                .map(p -> summary(p, held))
                .sorted(Comparator.comparing((ProfileSummary p) -> p.inUse() == 0)
                        .thenComparing(ProfileSummary::maker)
                        .thenComparing(ProfileSummary::name))
                .toList();
    }

    private Profiles held() {
        return shows.live().map(s -> s.show().profiles()).orElse(Profiles.NONE);
    }

    private ProfileSummary summary(Profile p, Profiles held) {
        boolean own = held.find(p.id()).isPresent();
        boolean shelved = library.profiles().find(p.id()).isPresent();
        List<String> differs =
                own ? library.newer(p).map(n -> ProfileDifference.words(p, n)).orElse(List.of()) : List.of();
        return new ProfileSummary(
                p.id().value(),
                p.maker(),
                p.name(),
                Family.of(p).words(),
                p.modes().stream()
                        .map(m -> new ModeSummary(m.name(), m.slots()))
                        .toList(),
                inUse(p),
                shelved ? library.origin(p.id()).name().toLowerCase(Locale.ROOT) : "show",
                differs);
    }

    private int inUse(Profile p) {
        return shows.live()
                .map(Snapshot::show)
                .map(s -> (int) s.patch().fixtures().stream()
                        .filter(f -> f.profile().equals(p.id()))
                        .count())
                .orElse(0);
    }

    @GetMapping("/api/profiles/{id}")
    ProfileView profile(@PathVariable String id) {
        Profile profile = find(id);
        return ProfileView.of(profile, ProfileCheck.of(profile));
    }

    private Profile find(String id) {
        return held().find(new ProfileId(id))
                .or(() -> library.profiles().find(new ProfileId(id)))
                .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "There is no profile " + id + "."));
    }

    /** The profile as a fixture archive. */
    @GetMapping("/api/profiles/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable String id) {
        Profile profile = find(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(ArchiveWriter.fileName(profile), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(ArchiveWriter.write(profile));
    }

    @GetMapping(path = "/api/profiles/{id}/pictures/{name}", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] picture(@PathVariable String id, @PathVariable String name) {
        return find(id).facts()
                .pictures()
                .find(name)
                .orElseThrow(() -> Refusal.of("profile.picture", "picture", "There is no picture “" + name + "”."));
    }

    /** Takes fixture archives in, each for itself: one that is refused does not keep the others out. */
    @PostMapping(path = "/api/profiles/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    List<FileResult> takeIn(@RequestParam("files") List<MultipartFile> files) throws IOException {
        List<FileResult> results = new ArrayList<>();
        for (MultipartFile file : files) {
            results.add(takeIn(String.valueOf(file.getOriginalFilename()), file.getBytes()));
        }
        return results;
    }

    private FileResult takeIn(String name, byte[] bytes) {
        try {
            ArchiveReader.Read read = ArchiveReader.read(bytes);
            Profile profile = read.profile();
            boolean replaces = library.profiles().all().stream()
                    .anyMatch(p -> p.fullName().equals(profile.fullName()) && !p.id().equals(profile.id()));
            library.add(profile, Library.Origin.IMPORTED);
            return new FileResult(name, profile.id().value(), profile.fullName(), replaces, read.remarks(), List.of());
        } catch (Refusal refusal) {
            return new FileResult(name, "", "", false, List.of(), ProblemView.all(refusal.problems()));
        }
    }

    /** Takes a profile out of the library; shows that hold it keep it. */
    @DeleteMapping("/api/profiles/{id}")
    List<ProfileSummary> remove(@PathVariable String id) {
        library.remove(new ProfileId(id));
        return list();
    }
}
