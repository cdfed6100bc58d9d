package zentrel.app.look;

import java.util.function.Function;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;

/** How things are called in a list that is chosen from. */
public final class Named {
    private Named() {}

    public static <T> StringConverter<T> by(Function<T, String> name) {
        return new StringConverter<>() {
            @Override
            public String toString(@Nullable T item) {
                return item == null ? "" : name.apply(item);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException("The list is not typed into.");
            }
        };
    }
}
