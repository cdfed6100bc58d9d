package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.StackPane;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.document.UserLibrary;
import zentrel.app.help.HelpPages;
import zentrel.app.help.HelpPane;
import zentrel.app.help.HelpPicture;
import zentrel.app.sheet.Picture;
import zentrel.app.sheet.SvgSheet;
import zentrel.app.shell.OutputStatus;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.SeenNow;
import zentrel.app.start.DemoSteps;
import zentrel.check.Rule;
import zentrel.check.RuleBook;
import zentrel.demo.FernlightTrail;
import zentrel.path.HopKind;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** Help in the window: the right page, links that lead somewhere, pictures that are those of the documents. */
class HelpWindowTest extends OpenWindow {
    private static final Path FOLDER = Path.of("..", "docs", "help");
    private static final Pattern LINK = Pattern.compile("(!?)\\[([^]]*)]\\(([^)]+)\\)");

    @Override
    Plan opening() {
        return FernlightTrail.draft();
    }

    private static String shown(FxRobot robot) {
        return robot.lookup("#help").queryAs(HelpPane.class).shown();
    }

    @Test
    void eachRuleAndHopHasAPageAndEveryLinkLeadsSomewhere() throws IOException {
        for (Rule rule : RuleBook.rules()) {
            assertThat(HelpPages.all()).containsKey("rule-" + rule.id());
        }
        for (HopKind hop : HopKind.values()) {
            assertThat(HelpPages.all()).containsKey("hop-" + hop.number());
        }
        PageContext context = new PageContext(
                document, new UserLibrary(home), e -> {}, new OutputStatus(), new SeenNow(), t -> Optional.empty());
        assertThat(Pages.all(context))
                .allSatisfy(
                        p -> assertThat(HelpPages.all()).containsKey(p.help().orElseThrow()));
        try (Stream<Path> files = Files.list(FOLDER)) {
            for (Path file : files.filter(f -> f.toString().endsWith(".md")).toList()) {
                Matcher link = LINK.matcher(Files.readString(file));
                while (link.find()) {
                    assertThat(FOLDER.resolve(link.group(3)))
                            .as(file.toString())
                            .exists();
                }
            }
        }
    }

    /** With {@code -Dzentrel.write=docs} they are drawn anew. */
    @Test
    void picturesAreTheProgramsOwn() throws IOException {
        Map<String, String> specs = new TreeMap<>();
        try (Stream<Path> files = Files.list(FOLDER)) {
            for (Path file : files.filter(f -> f.toString().endsWith(".md")).toList()) {
                Matcher link = LINK.matcher(Files.readString(file));
                while (link.find()) {
                    if (!link.group(1).isEmpty()) {
                        assertThat(specs.getOrDefault(link.group(3), link.group(2)))
                                .as(link.group(3))
                                .isEqualTo(link.group(2));
                        specs.put(link.group(3), link.group(2));
                    }
                }
            }
        }
        assertThat(specs).hasSizeGreaterThan(15);
        for (Map.Entry<String, String> spec : specs.entrySet()) {
            String svg = fx(() -> svg(spec.getValue()));
            Path file = FOLDER.resolve(spec.getKey());
            if ("docs".equals(System.getProperty("zentrel.write"))) {
                Files.writeString(file, svg);
            }
            assertThat(file).content().as(spec.getKey()).isEqualTo(svg);
        }
    }

    private static String svg(String spec) {
        HelpPicture drawn = HelpPicture.of(spec);
        StackPane root = new StackPane(drawn);
        root.getStyleClass().add("day");
        Scene scene = new Scene(root);
        scene.getStylesheets()
                .add(MainWindow.class.getResource("/zentrel/app/zentrel.css").toExternalForm());
        root.applyCss();
        root.layout();
        Picture picture = Picture.of(drawn, HelpPicture.WIDTH, drawn.height());
        return new String(picture.on(new SvgSheet(picture.width(), picture.height(), spec)), StandardCharsets.UTF_8);
    }

    @Test
    void f1ShowsWhatIsSaidOfWhatIsSelected(FxRobot robot) {
        DemoSteps steps = robot.lookup("#demo-steps").queryAs(DemoSteps.class);
        settled(steps::isVisible);
        assertThat(steps.isDone(0)).isFalse();
        choose(Kind.PORT.id("boathouse-node.p1"));
        settled(() -> there(robot, "#fix"));
        settled(() -> steps.isDone(0));
        assertThat(steps.isDone(2)).isFalse();
        robot.push(KeyCode.F1);
        settled(() -> there(robot, "#help"));
        assertThat(fx(() -> shown(robot))).isEqualTo("rule-universe.off-by-one");
        fx(() -> {
            robot.lookup("#help-to-concept-universe-numbers")
                    .queryAs(javafx.scene.control.Hyperlink.class)
                    .fire();
            return true;
        });
        assertThat(fx(() -> shown(robot))).isEqualTo("concept-universe-numbers");
        robot.push(KeyCode.F1);
        settled(() -> shown(robot).equals(HelpPages.KEYS));
        fire(robot, "#help-earlier");
        fire(robot, "#help-earlier");
        assertThat(fx(() -> shown(robot))).isEqualTo("rule-universe.off-by-one");
        robot.push(KeyCode.ESCAPE);
        settled(() -> !there(robot, "#help"));
        fire(robot, "#fix");
        settled(() -> steps.isDone(2));
        assertThat(steps.isDone(4)).as("nothing was seen of the bench yet").isFalse();
        fire(robot, "#demo-hide");
        settled(() -> !steps.isVisible());
        for (String name : List.copyOf(HelpPages.all().keySet())) {
            fx(() -> {
                HelpPane pane = new HelpPane(() -> {});
                pane.show(name);
                assertThat(pane.shown()).isEqualTo(name);
                return true;
            });
        }
    }
}
