package zentrel.app.shell;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;

/**
 * What the window gives to each page.
 *
 * @param evidence told what was seen of signals
 * @param output what may leave the computer, shown in the top bar
 * @param seen what the net that is looked at shows
 * @param choosePlan asks for a plan file, by the title of the question; empty where nobody chose one
 */
public record PageContext(
        OpenDocument document,
        UserLibrary library,
        Consumer<Evidence> evidence,
        OutputStatus output,
        SeenNow seen,
        Function<String, Optional<Path>> choosePlan) {}
