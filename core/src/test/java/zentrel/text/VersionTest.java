package zentrel.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class VersionTest {
    /** The program, its build and its list of changes name one version; the script reads the build's. */
    @Test
    void everyPlaceNamesOneVersion() throws IOException {
        String version = Version.current();
        assertThat(version).matches("\\d+\\.\\d+\\.\\d+");
        assertThat(Files.readString(Path.of("..", "pom.xml")))
                .containsOnlyOnce("<version>" + version + "</version>\n  <packaging>");
        for (String module : new String[] {"core", "wire", "cli", "app", "speed"}) {
            assertThat(Files.readString(Path.of("..", module, "pom.xml")))
                    .contains("<artifactId>zentrel-parent</artifactId><version>" + version + "</version>");
        }
        assertThat(Files.readString(Path.of("..", "CHANGELOG.md"))
                        .lines()
                        .filter(l -> l.startsWith("## "))
                        .findFirst())
                .contains("## " + version + " (not released)");
        assertThat(Files.readString(Path.of("..", "zentrel"))).doesNotContainPattern("\\d+\\.\\d+\\.\\d+");
    }
}
