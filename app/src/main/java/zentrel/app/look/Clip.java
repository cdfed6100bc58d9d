package zentrel.app.look;

import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** What is copied, for any other program. */
public final class Clip {
    private Clip() {}

    /** The text that was copied; empty where none was. */
    public static String text() {
        String text = Clipboard.getSystemClipboard().getString();
        return text == null ? "" : text;
    }

    /** Puts a text there. */
    public static void put(String text) {
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
    }
}
