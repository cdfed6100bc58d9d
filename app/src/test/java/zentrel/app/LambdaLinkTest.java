package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import zentrel.plan.Plan;
import zentrel.wire.UdpWire;

/** The classes that the build makes of lambdas: Java's verifier has each of them, also those that no other test reaches. */
class LambdaLinkTest {
    @Test
    void eachIsSound() throws Exception {
        List<String> sound = new ArrayList<>();
        for (Class<?> module : List.of(Plan.class, UdpWire.class, MainWindow.class)) {
            Path place = Path.of(
                    module.getProtectionDomain().getCodeSource().getLocation().toURI());
            for (String name : lambdasIn(place)) {
                // to be initialised it is verified; all it does then is to make itself
                Class<?> unused = Class.forName(name, true, module.getClassLoader());
                sound.add(name);
            }
        }

        assertThat(sound).hasSizeGreaterThan(3000).doesNotHaveDuplicates();
    }

    /** In a folder of classes or in a jar. */
    private static List<String> lambdasIn(Path place) throws IOException {
        if (Files.isDirectory(place)) {
            return names(place);
        }
        try (FileSystem jar = FileSystems.newFileSystem(URI.create("jar:" + place.toUri()), java.util.Map.of())) {
            return names(jar.getPath("/"));
        }
    }

    private static List<String> names(Path root) throws IOException {
        try (Stream<Path> all = Files.walk(root)) {
            return all.map(f -> root.relativize(f).toString())
                    .filter(f -> f.matches(".*\\$\\$\\d+\\.class"))
                    .map(f -> f.substring(0, f.length() - ".class".length()).replace('/', '.'))
                    .toList();
        }
    }
}
