package zentrel.build;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** A program whose lambdas have classes of their own does what it did. */
class LambdaClassesTest {
    @TempDir
    Path folder;

    private Path compiled;

    @BeforeEach
    void copy() throws Exception {
        URI here = Lambdas.class
                .getProtectionDomain()
                .getCodeSource()
                .getLocation()
                .toURI();
        compiled = Files.createDirectories(folder.resolve("zentrel/build"));
        try (Stream<Path> all = Files.list(Path.of(here).resolve("zentrel/build"))) {
            for (Path file : all.filter(f -> f.getFileName().toString().matches("Lambdas[$.].*"))
                    .toList()) {
                Files.copy(file, compiled.resolve(file.getFileName()));
            }
        }
    }

    @Test
    void doesWhatItDidBefore() throws Exception {
        List<String> before = new Lambdas().get();
        int lambdas = linkedAtRunTime("metafactory").size();

        assertThat(LambdaClasses.make(folder)).isEqualTo(lambdas).isGreaterThan(30);

        assertThat(linkedAtRunTime("metafactory")).isEmpty();
        assertThat(linkedAtRunTime("altMetafactory"))
                .hasSize(2); // the one of two interfaces, and what would read it back
        assertThat(run()).isEqualTo(before).hasSizeGreaterThan(30);
    }

    @Test
    void doesNothingTheSecondTime() throws Exception {
        int unused = LambdaClasses.make(folder);
        List<String> first = names();

        assertThat(LambdaClasses.make(folder)).isZero();
        assertThat(names()).isEqualTo(first);
    }

    @Test
    void classesOfACompilationBeforeAreGone() throws Exception {
        Path left = compiled.resolve("Lambdas$$999.class");
        Files.createFile(left);

        int unused = LambdaClasses.make(folder);

        assertThat(left).doesNotExist();
    }

    @Test
    void refusesWhatIsNoFolder() {
        assertThatThrownBy(() -> LambdaClasses.main(new String[] {folder + "/none"}))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("a folder of compiled classes");
    }

    @SuppressWarnings("unchecked") // what it is, is not the class that this test was compiled with
    private List<String> run() throws Exception {
        URL[] there = {folder.toUri().toURL()};
        try (URLClassLoader loader = new URLClassLoader(there, ClassLoader.getPlatformClassLoader())) {
            return ((Supplier<List<String>>) loader.loadClass(Lambdas.class.getName())
                            .getConstructor()
                            .newInstance())
                    .get();
        }
    }

    private List<String> names() throws IOException {
        try (Stream<Path> all = Files.list(compiled)) {
            return all.map(Path::toString).sorted().toList();
        }
    }

    /** Where the compiled classes still ask Java for a lambda's class. */
    private List<String> linkedAtRunTime(String how) throws IOException {
        List<String> found = new ArrayList<>();
        for (String name : names()) {
            new ClassReader(Files.readAllBytes(Path.of(name)))
                    .accept(
                            new ClassVisitor(Opcodes.ASM9) {
                                @Override
                                public MethodVisitor visitMethod(
                                        int access, String method, String type, String generic, String[] thrown) {
                                    return new MethodVisitor(Opcodes.ASM9) {
                                        @Override
                                        public void visitInvokeDynamicInsn(
                                                String called, String as, Handle by, Object... values) {
                                            if (by.getName().equals(how)) {
                                                found.add(name + " " + method);
                                            }
                                        }
                                    };
                                }
                            },
                            0);
        }
        return found;
    }
}
