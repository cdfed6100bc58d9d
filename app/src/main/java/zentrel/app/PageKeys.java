package zentrel.app;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/** The keys that go to pages: Ctrl with 1 to 9 for the first nine, with Shift as well for those after. */
final class PageKeys {
    /** Digits that a page can have; 0 is for "as it was at first" in pictures that zoom. */
    private static final int DIGITS = 9;

    private PageKeys() {}

    /**
     * The keys of a page.
     *
     * @param page its place in the order of the work, 0 to 17
     */
    static KeyCodeCombination of(int page) {
        KeyCode digit = KeyCode.getKeyCode(String.valueOf(page % DIGITS + 1));
        return page < DIGITS
                ? new KeyCodeCombination(digit, KeyCombination.SHORTCUT_DOWN)
                : new KeyCodeCombination(digit, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);
    }
}
