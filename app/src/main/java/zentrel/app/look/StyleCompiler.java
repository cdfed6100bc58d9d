package zentrel.app.look;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.css.Stylesheet;

/**
 * Run by the build: makes the sheets of {@link ControlStyles}, and writes them and Zentrel's own in JavaFX's binary form beside their
 * text, which JavaFX then reads first. The window need not parse them at every start.
 */
public final class StyleCompiler {
    private static final String TEXT = ".css";

    private StyleCompiler() {}

    /** The argument is Zentrel's style sheet among the compiled classes, a file that ends in {@code .css}. */
    public static void main(String[] args) throws IOException {
        if (args.length != 1 || !args[0].endsWith(TEXT) || !Files.isRegularFile(Path.of(args[0]))) {
            throw new IOException("StyleCompiler takes one argument, a file that ends in .css.");
        }
        Path own = Path.of(args[0]);
        String controls = shortened(ControlStyles.WHOLE);
        made(own.resolveSibling(ControlStyles.name(false)), controls);
        made(own.resolveSibling(ControlStyles.name(true)), controls + shortened(ControlStyles.OPAQUE));
        binary(own);
    }

    private static String shortened(String resource) throws IOException {
        try (InputStream whole = StyleCompiler.class.getResourceAsStream(resource)) {
            if (whole == null) {
                throw new IOException("JavaFX has no style sheet " + resource + ".");
            }
            String sheet = new String(whole.readAllBytes(), StandardCharsets.UTF_8);
            String licence = sheet.substring(0, sheet.indexOf("*/") + 2);
            return licence + "\n/* shortened by the build of Zentrel */\n" + ControlStyles.shortened(sheet);
        }
    }

    private static void made(Path file, String sheet) throws IOException {
        Files.writeString(file, sheet);
        binary(file);
    }

    private static void binary(Path sheet) throws IOException {
        String name = sheet.toString();
        Stylesheet.convertToBinary(
                sheet.toFile(),
                Path.of(name.substring(0, name.length() - TEXT.length()) + ".bss")
                        .toFile());
    }
}
