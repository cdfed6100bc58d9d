package zentrel.app.look;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.css.Stylesheet;

/**
 * Run by the build: writes the style sheet in JavaFX's binary form beside its text, which JavaFX then reads first. The window
 * need not parse it at every start.
 */
public final class StyleCompiler {
    private static final String TEXT = ".css";

    private StyleCompiler() {}

    /** The argument is the style sheet among the compiled classes, a file that ends in {@code .css}. */
    public static void main(String[] args) throws IOException {
        if (args.length != 1 || !args[0].endsWith(TEXT) || !Files.isRegularFile(Path.of(args[0]))) {
            throw new IOException("StyleCompiler takes one argument, a file that ends in .css.");
        }
        String binary = args[0].substring(0, args[0].length() - TEXT.length()) + ".bss";
        Stylesheet.convertToBinary(new File(args[0]), new File(binary));
    }
}
