package zentrel.app.lit;

import javafx.scene.paint.Color;

/** The colours of the Lit view; it is dark by day as well, for lights are seen in the dark. */
final class LitColours {
    static final Color DARK = Color.web("#0D1115");
    static final Color INK = Color.web("#E9E4D8");
    static final Color SOFT = Color.web("#A3A79F");
    static final Color GRID = Color.web("#1B232B");
    static final Color OUTLINE = Color.web("#52626F");
    static final Color BODY = Color.web("#2B3742");
    static final Color TREE = Color.web("#25382D");
    static final Color HEATHER = Color.web("#B9A6EC");
    static final Color FAILS = Color.web("#E0607E");
    static final Color AT_RISK = Color.web("#E0873E");

    static final int SOFT_ARGB = 0xFFA3A79F;
    static final int FAILS_ARGB = 0xFFE0607E;
    static final int AT_RISK_ARGB = 0xFFE0873E;

    private LitColours() {}

    static Color of(int argb, double opacity) {
        return Color.rgb(argb >> 16 & 0xFF, argb >> 8 & 0xFF, argb & 0xFF, Math.max(0, Math.min(1, opacity)));
    }
}
