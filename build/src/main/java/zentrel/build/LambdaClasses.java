package zentrel.build;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.MethodNode;

/**
 * Run by the build after compiling: gives each lambda and each method reference a class of its own among the compiled ones. Java
 * otherwise makes these classes when a line is first reached, with a look-up and a link each; until its first picture the window
 * reaches several hundred. What a lambda does stays where the compiler put it; the class only hands on to it.
 *
 * <p>Lambdas that Java makes with more than one interface or with bridges ({@code altMetafactory}) are left as they are, and so is
 * what records make of {@code equals}, {@code hashCode} and {@code toString}.
 */
public final class LambdaClasses {
    private static final String METAFACTORY = "java/lang/invoke/LambdaMetafactory";
    private static final String ENDING = ".class";

    /** How the classes are called: that of the lambda, then a number. The compiler never puts two of these signs together. */
    private static final Pattern MADE = Pattern.compile(".*\\$\\$\\d+\\.class");

    private final Path folder;
    private final Map<String, ClassNode> classes = new TreeMap<>();
    private final Map<String, byte[]> written = new TreeMap<>();
    private int made;

    private LambdaClasses(Path folder) {
        this.folder = folder;
    }

    /** The argument is the folder of the compiled classes. */
    public static void main(String[] args) throws IOException {
        if (args.length != 1 || !Files.isDirectory(Path.of(args[0]))) {
            throw new IOException("LambdaClasses takes one argument, a folder of compiled classes.");
        }
        int unused = make(Path.of(args[0]));
    }

    /**
     * Makes the classes for all lambdas in a folder; does nothing where that is done already.
     *
     * @return how many it made
     */
    static int make(Path folder) throws IOException {
        return new LambdaClasses(folder).run();
    }

    private int run() throws IOException {
        List<Path> files;
        try (Stream<Path> all = Files.walk(folder)) {
            files = all.filter(f -> f.toString().endsWith(ENDING))
                    .filter(f -> !MADE.matcher(f.toString()).matches())
                    .toList();
        }
        for (Path file : files) {
            ClassNode read = new ClassNode();
            new ClassReader(Files.readAllBytes(file)).accept(read, 0);
            classes.put(read.name, read);
        }
        classes.values().forEach(this::replaceIn);
        for (Map.Entry<String, byte[]> each : written.entrySet()) {
            Files.write(folder.resolve(each.getKey() + ENDING), each.getValue());
        }
        return made;
    }

    private void replaceIn(ClassNode outer) {
        List<String> names = new ArrayList<>();
        for (MethodNode method : outer.methods) {
            for (AbstractInsnNode step : method.instructions.toArray()) {
                if (step instanceof InvokeDynamicInsnNode call && isPlainLambda(call)) {
                    String name = outer.name + "$$" + (names.size() + 1);
                    names.add(name);
                    written.put(name, LambdaClass.bytes(name, hostOf(outer), call));
                    method.instructions.set(
                            step, new MethodInsnNode(Opcodes.INVOKESTATIC, name, LambdaClass.MAKE, call.desc, false));
                }
            }
        }
        if (names.isEmpty()) {
            return;
        }
        deleteThoseBefore(outer.name);
        made += names.size();
        // so that they may call what is private there
        ClassNode host = classes.get(hostOf(outer));
        if (host == null) {
            throw new IllegalStateException("The class around " + outer.name + " is not among the compiled ones.");
        }
        if (host.nestMembers == null) {
            host.nestMembers = new ArrayList<>();
        }
        host.nestMembers.removeIf(m -> m.startsWith(outer.name + "$$")); // those of a compilation before
        host.nestMembers.addAll(names);
        write(outer);
        write(host);
    }

    private static boolean isPlainLambda(InvokeDynamicInsnNode call) {
        return call.bsm.getOwner().equals(METAFACTORY) && call.bsm.getName().equals("metafactory");
    }

    private static String hostOf(ClassNode type) {
        return type.nestHostClass == null ? type.name : type.nestHostClass;
    }

    private void write(ClassNode type) {
        ClassWriter writer = new ClassWriter(0);
        type.accept(writer);
        written.put(type.name, writer.toByteArray());
    }

    /** A class that was compiled anew may have fewer lambdas than before. */
    private void deleteThoseBefore(String outer) {
        Path place = folder.resolve(outer + ENDING).getParent();
        String begin = outer.substring(outer.lastIndexOf('/') + 1) + "$$";
        try (Stream<Path> beside = Files.list(place)) {
            for (Path file : beside.toList()) {
                String name = file.getFileName().toString();
                if (name.startsWith(begin) && MADE.matcher(name).matches()) {
                    Files.delete(file);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
