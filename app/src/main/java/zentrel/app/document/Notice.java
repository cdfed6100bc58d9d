package zentrel.app.document;

import java.util.Optional;

/** Something to tell the user, until dismissed; where an action is named, pressing it does that. */
public record Notice(String text, Optional<String> action, Runnable onAction) {
    public static Notice of(String text) {
        return new Notice(text, Optional.empty(), () -> {});
    }
}
