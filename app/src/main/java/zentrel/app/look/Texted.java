package zentrel.app.look;

import java.util.function.Function;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;

/** Shows the things of a list by a text of theirs. */
public final class Texted<T> extends StringConverter<T> {
    private final Function<T, String> text;

    public Texted(Function<T, String> text) {
        this.text = text;
    }

    @Override
    public String toString(@Nullable T thing) {
        return thing == null ? "" : text.apply(thing);
    }

    @Override
    public T fromString(String typed) {
        throw new UnsupportedOperationException("Chosen from a list, never typed: " + typed);
    }
}
