package zentrel.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.Modifier;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import zentrel.source.Sourced.Origin;

class SourcesTest {
    @Test
    void thePublishedListIsTheOneInForce() throws IOException {
        assertThat(Files.readString(Path.of("../docs/sources.md")))
                .as("docs/sources.md, made by Sources.page()")
                .isEqualTo(Sources.page());
    }

    @Test
    void everySourceIsListedAndSaysWhatItHasTo() {
        List<?> declared = Arrays.stream(Sources.class.getFields())
                .filter(f -> Modifier.isStatic(f.getModifiers()) && f.getType() == Sourced.class)
                .map(f -> {
                    try {
                        return f.get(null);
                    } catch (IllegalAccessException e) {
                        throw new AssertionError(e);
                    }
                })
                .toList();
        assertThat(declared).isEqualTo(Sources.ALL);
        assertThat(Sources.ALL).allSatisfy(s -> {
            assertThat(s.says()).endsWith(".");
            assertThat(s.confidence()).isBetween(1, 100);
            assertThat(s.origin() == Origin.STANDARD && s.where().isEmpty()).isFalse();
        });
    }

    /** Nothing is from memory, or common practice, without being in the list. */
    @Test
    void noOtherPlaceOfTheProductSaysThatItIsFromMemory() throws IOException {
        for (String module : List.of("core", "wire", "cli", "app")) {
            try (Stream<Path> files = Files.walk(Path.of("..", module, "src", "main"))) {
                for (Path file : files.filter(p -> p.toString().matches(".*\\.(java|properties|json)"))
                        .filter(p -> !p.endsWith("Sourced.java") && !p.endsWith("Sources.java"))
                        .toList()) {
                    assertThat(Files.readString(file)).as(file.toString()).doesNotContain("from memory");
                }
            }
        }
    }
}
