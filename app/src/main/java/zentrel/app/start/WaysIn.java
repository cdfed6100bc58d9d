package zentrel.app.start;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;

/** What the window does for the start page. */
public interface WaysIn {
    /** Begins one of the patterns, by its id. */
    void pattern(String id);

    /** Opens a demo plan, by its name. */
    void demo(String name);

    /**
     * Does what a line of words says.
     *
     * @param done told what was done, or why it could not be
     */
    void say(String line, Consumer<String> done);

    /** Asks for a plan file. */
    void open();

    void open(Path file);

    /** Gives the plans opened lately, the last first. */
    void recent(Consumer<List<Path>> then);

    /** Leaves the start page for the gear. */
    void leave();
}
