package zentrel.app.shell;

import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * A stage as the rail lists it. Its view is made when it is first wanted, so that the window does not wait at its start for
 * stages that nobody looks at.
 */
public final class RailStage<V extends StageView> {
    private final String title;
    private final Set<String> concerns;
    private final Supplier<V> maker;
    private @Nullable V view;

    /** @param concerns the beginnings of the rule ids whose findings are unsettled work of this stage */
    public RailStage(String title, Set<String> concerns, Supplier<V> maker) {
        this.title = title;
        this.concerns = concerns;
        this.maker = maker;
    }

    public String title() {
        return title;
    }

    boolean concerns(String rule) {
        return concerns.stream().anyMatch(rule::startsWith);
    }

    boolean hasConcerns() {
        return !concerns.isEmpty();
    }

    /** The view, made now if it was not wanted before. */
    public V view() {
        V made = view;
        if (made == null) {
            made = maker.get();
            view = made;
        }
        return made;
    }

    /** The view, if it was ever wanted. */
    public Optional<V> ifMade() {
        return Optional.ofNullable(view);
    }
}
