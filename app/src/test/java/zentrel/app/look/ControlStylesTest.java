package zentrel.app.look;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.application.Application;
import javafx.application.ConditionalFeature;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonType;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.DialogPane;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Separator;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tab;
import javafx.scene.control.TabPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputDialog;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.stage.PopupWindow;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** The shorter style sheet shows every control that Zentrel has as JavaFX's whole one does, to the pixel. */
class ControlStylesTest {
    @BeforeAll
    static void toolkit() throws Exception {
        FxToolkit.registerPrimaryStage();
    }

    @AfterAll
    static void back() {
        fx(() -> {
            ControlStyles.use();
            return true;
        });
    }

    /** A control of the application, or a window that hangs on one. */
    private record Shown(String name, Supplier<Object> make) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Shown> controls() {
        List<String> rows = IntStream.range(0, 40).mapToObj(i -> "row " + i).toList();
        return Stream.of(
                new Shown("label", () -> new Label("a label")),
                new Shown("button", () -> new Button("a button")),
                new Shown("switched off", () -> {
                    Button off = new Button("off");
                    off.setDisable(true);
                    return off;
                }),
                new Shown("toggle", () -> {
                    ToggleButton on = new ToggleButton("on");
                    on.setSelected(true);
                    return on;
                }),
                new Shown("check box", () -> {
                    CheckBox box = new CheckBox("ticked");
                    box.setSelected(true);
                    return box;
                }),
                new Shown("neither ticked nor not", () -> {
                    CheckBox box = new CheckBox("some");
                    box.setIndeterminate(true);
                    return box;
                }),
                new Shown("field", () -> new TextField("typed")),
                new Shown("prompt", () -> {
                    TextField field = new TextField();
                    field.setPromptText("asked");
                    return field;
                }),
                new Shown("text", () -> new TextArea("line\n".repeat(60))),
                new Shown("combo", () -> {
                    ComboBox<String> box = new ComboBox<>();
                    box.getItems().setAll(rows);
                    box.getSelectionModel().select(3);
                    return box;
                }),
                new Shown("combo to type in", () -> {
                    ComboBox<String> box = new ComboBox<>();
                    box.setEditable(true);
                    box.getItems().setAll(rows);
                    return box;
                }),
                new Shown("list", () -> {
                    ListView<String> list = new ListView<>();
                    list.getItems().setAll(rows);
                    list.getSelectionModel().select(2);
                    return list;
                }),
                new Shown("empty list", () -> {
                    ListView<String> list = new ListView<>();
                    list.setPlaceholder(new Label("nothing"));
                    return list;
                }),
                new Shown("scrolled", () -> {
                    Region large = new Region();
                    large.setMinSize(900, 900);
                    return new ScrollPane(large);
                }),
                new Shown("scroll bar", () -> new ScrollBar()),
                new Shown("progress", () -> new ProgressBar(0.4)),
                new Shown("separator", () -> new Separator(Orientation.VERTICAL)),
                new Shown("menu button", () -> new MenuButton("more", null, new MenuItem("one"))),
                new Shown("question", () -> {
                    DialogPane pane = new DialogPane();
                    pane.setHeaderText("a head");
                    pane.setContentText("a question");
                    pane.getButtonTypes().setAll(ButtonType.OK, ButtonType.CANCEL);
                    return pane;
                }),
                new Shown("question for a text", () -> new TextInputDialog("text").getDialogPane()),
                new Shown("menu", () -> {
                    MenuItem off = new MenuItem("off");
                    off.setDisable(true);
                    return new ContextMenu(
                            new MenuItem("one"),
                            new SeparatorMenuItem(),
                            off,
                            new Menu("more", null, new MenuItem("in")));
                }),
                new Shown("tooltip", () -> new Tooltip("a tip")));
    }

    @ParameterizedTest
    @MethodSource("controls")
    void isShownAsByJavaFxsOwnSheets(Shown shown) {
        int[] whole = picture(shown, () -> Application.setUserAgentStylesheet(Application.STYLESHEET_MODENA));
        int[] shorter = picture(shown, ControlStyles::use);
        int[] first = picture(shown, () -> Application.setUserAgentStylesheet(ControlStyles.WHOLE));
        int[] clear = picture(shown, () -> Application.setUserAgentStylesheet(ControlStyles.url(false)));
        int[] opaque = picture(shown, () -> Application.setUserAgentStylesheet(ControlStyles.url(true)));

        assertThat(shorter).isEqualTo(whole);
        assertThat(clear).isEqualTo(first);
        if (!fx(() -> Platform.isSupported(ConditionalFeature.TRANSPARENT_WINDOW))) {
            assertThat(opaque).isEqualTo(whole);
        }
    }

    /** That pictures can differ at all: what is left out does look otherwise. */
    @Test
    void whatIsLeftOutIsBare() {
        Shown tabs = new Shown("tabs", () -> new TabPane(new Tab("one", new Label("in"))));
        int[] whole = picture(tabs, () -> Application.setUserAgentStylesheet(ControlStyles.WHOLE));
        int[] shorter = picture(tabs, () -> Application.setUserAgentStylesheet(ControlStyles.url(false)));

        assertThat(shorter).isNotEqualTo(whole);
    }

    @Test
    void noControlIsUsedThatIsLeftOut() {
        noClasses()
                .should()
                .dependOnClassesThat(describe("are controls without a look", ControlStylesTest::isLeftOut))
                .check(new ClassFileImporter()
                        .withImportOption(new ImportOption.DoNotIncludeTests())
                        .importPackages("zentrel.app"));
        assertThat(ControlStyles.isLeftOut("tree-table-view")).isTrue();
        assertThat(ControlStyles.isLeftOut("list-view")).isFalse();
    }

    /** JavaFX calls the style class of a control as the control, in small letters with dashes. */
    private static boolean isLeftOut(JavaClass type) {
        return type.getPackageName().startsWith("javafx.scene.control")
                && ControlStyles.isLeftOut(type.getSimpleName()
                        .replaceAll("(?<=[a-z])(?=[A-Z])", "-")
                        .toLowerCase(Locale.ROOT));
    }

    private static int[] picture(Shown shown, Runnable sheet) {
        Object[] at = new Object[1];
        Stage stage = fx(() -> {
            sheet.run();
            Object made = shown.make().get();
            Stage window = new Stage();
            StackPane root = new StackPane(made instanceof Node n ? n : new Label("under it"));
            window.setScene(new Scene(root, 300, 240));
            window.show();
            if (made instanceof ContextMenu menu) {
                menu.show(window);
            } else if (made instanceof Tooltip tip) {
                tip.show(window);
            }
            at[0] = made instanceof PopupWindow popup ? popup.getScene() : window.getScene();
            return window;
        });
        WaitForAsyncUtils.waitForFxEvents();
        return fx(() -> {
            Scene scene = (Scene) at[0];
            // what depends on the window that happens to have the keys
            scene.getRoot().lookupAll("*").forEach(n -> {
                n.pseudoClassStateChanged(PseudoClass.getPseudoClass("focused"), false);
                n.pseudoClassStateChanged(PseudoClass.getPseudoClass("hover"), false);
            });
            scene.getRoot().applyCss();
            Image picture = scene.snapshot(null);
            stage.close();
            return points(picture);
        });
    }

    private static int[] points(Image image) {
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        int[] points = new int[width * height];
        image.getPixelReader().getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), points, 0, width);
        return points;
    }
}
