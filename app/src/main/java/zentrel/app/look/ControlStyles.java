package zentrel.app.look;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.application.Application;
import javafx.application.ConditionalFeature;
import javafx.application.Platform;

/**
 * The look of JavaFX's own controls, without those that Zentrel has none of. JavaFX reads the whole of its style sheet at each
 * start and holds each node against all of it; three quarters are about charts, tables, trees, pickers and the like. The build
 * makes the shorter sheet of the one in JavaFX's library ({@link StyleCompiler}).
 */
public final class ControlStyles {
    /** The sheet that JavaFX has, and what it adds where popups cannot be seen through. */
    static final String WHOLE = "/com/sun/javafx/scene/control/skin/modena/modena.css";

    static final String OPAQUE = "/com/sun/javafx/scene/control/skin/modena/modena-no-transparency.css";

    /** With what the style classes begin of controls that are left out, and of their parts. */
    static final List<String> LEFT_OUT = List.of(
            "accordion",
            "axis",
            "bar-chart",
            "bullet-button",
            "calendar-",
            "chart",
            "check-box-table",
            "color-",
            "column-",
            "control-buttons-tab",
            "custom",
            "date-",
            "day-",
            "default-color",
            "empty-table",
            "hijrah-",
            "html-editor",
            "hyperlink",
            "menu-bar",
            "month-",
            "page",
            "pagination",
            "picker-",
            "progress-indicator",
            "radio-",
            "slider",
            "spinner",
            "split-",
            "stacked-bar-chart",
            "tab",
            "titled-pane",
            "tool-bar",
            "tree-",
            "web");

    private static final Pattern REMARK = Pattern.compile("/\\*.*?\\*/", Pattern.DOTALL);
    private static final Pattern RULE = Pattern.compile("([^{}]+)\\{([^{}]*)\\}");
    private static final Pattern STYLE_CLASS = Pattern.compile("\\.([A-Za-z][A-Za-z0-9_-]*)");
    private static final Pattern PICTURE = Pattern.compile("url\\(\"([^/\"][^\"]*)\"\\)");

    private ControlStyles() {}

    /**
     * Makes the shorter sheet the one that all windows begin with; on the JavaFX thread, before the first control is made. Where
     * JavaFX would add sheets for fingers or for a remote control, its own stay.
     */
    public static void use() {
        if (Stream.of(
                        ConditionalFeature.INPUT_TOUCH,
                        ConditionalFeature.TWO_LEVEL_FOCUS,
                        ConditionalFeature.VIRTUAL_KEYBOARD)
                .noneMatch(Platform::isSupported)) {
            Application.setUserAgentStylesheet(url(!Platform.isSupported(ConditionalFeature.TRANSPARENT_WINDOW)));
        }
    }

    /** The shorter sheet, for popups that can be seen through or not. */
    static String url(boolean opaque) {
        return ControlStyles.class.getResource("/zentrel/app/" + name(opaque)).toExternalForm();
    }

    /** What the build calls it, beside Zentrel's own sheet. */
    static String name(boolean opaque) {
        return opaque ? "controls-opaque.css" : "controls.css";
    }

    /** Whether the rules for a style class are left out. */
    static boolean isLeftOut(String styleClass) {
        return LEFT_OUT.stream().anyMatch(styleClass::startsWith);
    }

    /**
     * A style sheet without the rules for what is left out. A rule for several kinds of node stays for the others.
     *
     * @param sheet the text of a sheet of JavaFX; its pictures are named by their place in JavaFX's library afterwards
     */
    static String shortened(String sheet) {
        String folder = WHOLE.substring(0, WHOLE.lastIndexOf('/') + 1);
        return RULE.matcher(REMARK.matcher(sheet).replaceAll(""))
                .results()
                .map(rule -> {
                    String nodes = Stream.of(rule.group(1).split(","))
                            .map(String::strip)
                            .filter(n -> STYLE_CLASS.matcher(n).results().noneMatch(c -> isLeftOut(c.group(1))))
                            .collect(Collectors.joining(",\n"));
                    return nodes.isEmpty() ? "" : nodes + " {" + rule.group(2) + "}\n";
                })
                .map(rule -> PICTURE.matcher(rule)
                        .replaceAll(p -> Matcher.quoteReplacement("url(\"" + folder + p.group(1) + "\")")))
                .collect(Collectors.joining());
    }
}
