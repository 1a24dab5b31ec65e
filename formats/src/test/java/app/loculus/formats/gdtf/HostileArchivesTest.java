package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import app.loculus.core.problem.Refusal;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class HostileArchivesTest {

    private static final Map<String, Map.Entry<String, byte[]>> CORPUS = HostileArchives.corpus();

    static Stream<String> names() {
        return CORPUS.keySet().stream();
    }

    @ParameterizedTest
    @MethodSource("names")
    void each_is_refused_in_words(String name) {
        var file = CORPUS.get(name);
        Throwable thrown = catchThrowable(() -> ArchiveReader.read(file.getValue()));
        assertThat(thrown).isInstanceOf(Refusal.class).hasMessageContaining(file.getKey());
    }

    @Test
    void the_honest_one_among_them_is_read() {
        assertThat(ArchiveReader.read(HostileArchives.zip("description.xml", "\uFEFF" + HostileArchives.DESCRIPTION))
                        .profile()
                        .fullName())
                .isEqualTo("Halden T");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void octets_changed_anywhere_are_read_or_refused_but_never_fail_otherwise(long seed) {
        Random random = new Random(seed);
        byte[] good = ArchiveWriter.write(ShippedProfiles.all().all().get((int) seed % 5));
        for (int round = 0; round < 60; round++) {
            byte[] changed = good.clone();
            for (int i = 0; i < 1 + random.nextInt(6); i++) {
                changed[random.nextInt(changed.length)] = (byte) random.nextInt();
            }
            Throwable thrown = catchThrowable(() -> ArchiveReader.read(changed));
            assertThat(thrown)
                    .satisfiesAnyOf(
                            t -> assertThat(t).isNull(), t -> assertThat(t).isInstanceOf(Refusal.class));
        }
    }
}
