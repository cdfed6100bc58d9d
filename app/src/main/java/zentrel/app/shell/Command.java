package zentrel.app.shell;

/** Something that can be done by its name, in the box at the top or a menu. */
public record Command(String name, Runnable action) {}
