package zentrel.app.look;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import javafx.scene.text.Font;

/** The two families that ship with the application: sans for words, mono for numbers. */
public final class Fonts {
    private Fonts() {}

    /** Makes them known to JavaFX, once, before the first window. */
    public static void load() {
        for (String name : new String[] {
            "IBMPlexSans_400Regular", "IBMPlexSans_600SemiBold", "IBMPlexMono_400Regular", "IBMPlexMono_600SemiBold"
        }) {
            try (InputStream in = Fonts.class.getResourceAsStream("/zentrel/app/fonts/" + name + ".ttf")) {
                if (in == null || Font.loadFont(in, 13) == null) {
                    throw new IllegalStateException("The font " + name + " is missing from the application.");
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
