package zentrel.app.look;

import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** What is copied, for any other program. */
public final class Clip {
    private Clip() {}

    /** Puts a text there. */
    public static void put(String text) {
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
    }
}
