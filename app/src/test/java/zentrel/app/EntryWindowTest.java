package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.entry.Entries;
import zentrel.entry.Field;
import zentrel.plan.*;
import zentrel.plan.Stream;

/** The real window: everything that a plan can hold is entered beside what is selected, by keys alone. */
class EntryWindowTest extends OpenWindow {
    private static final Id<Stream> STREAM = Kind.STREAM.id("hut-desk-u1");

    private static Optional<Node> field(FxRobot robot, String key) {
        return robot.lookup("#entry-" + key).tryQuery();
    }

    private void enter(FxRobot robot, String key, String text) {
        settled(() -> field(robot, key).isPresent());
        fx(() -> {
            TextInputControl box = (TextInputControl) field(robot, key).orElseThrow();
            box.requestFocus();
            box.setText(text);
            return true;
        });
        robot.push(KeyCode.ENTER);
    }

    private int priority() {
        return document.plan().index().get(STREAM).priority().inForce();
    }

    @Test
    void aFieldIsEnteredInPlaceRefusedInASentenceAndUndone(FxRobot robot) {
        choose(STREAM);
        int before = priority();
        robot.push(KeyCode.CONTROL, KeyCode.E);
        enter(robot, "priority", "many");
        settled(() -> robot.lookup("#entry-priority-wrong")
                .queryAs(Label.class)
                .getText()
                .contains("\"many\""));
        assertThat(robot.lookup("#entry-priority")
                        .queryAs(TextInputControl.class)
                        .getText())
                .as("what was typed stays")
                .isEqualTo("many");
        assertThat(priority()).isEqualTo(before);
        enter(robot, "priority", "117");
        settled(() -> priority() == 117);
        settled(() -> field(robot, "priority").filter(Node::isFocused).isPresent());
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> priority() == before);
        robot.push(KeyCode.CONTROL, KeyCode.E);
        settled(() -> field(robot, "priority").isEmpty());
    }

    @Test
    void whatKeepsACopyIsShownFirstAndShiftEnterPlansForLater(FxRobot robot) {
        Id<Adapter> control = Kind.ADAPTER.id("hut-console.control");
        choose(control);
        robot.push(KeyCode.CONTROL, KeyCode.E);
        enter(robot, "addresses", "10.42.1.9/16");
        settled(() -> document.proposedProperty().get() != null);
        assertThat(fx(() -> document.proposedProperty().get().places())).isNotEmpty();
        fx(() -> {
            document.leave();
            return true;
        });
        Id<Port> port = Kind.PORT.id("boathouse-node.p1");
        int before = plan().index().get(port).wire().orElseThrow().inForce();
        choose(port);
        settled(() -> field(robot, "number").isPresent());
        fx(() -> {
            TextInputControl box = (TextInputControl) field(robot, "number").orElseThrow();
            box.requestFocus();
            box.setText("77");
            return true;
        });
        robot.push(KeyCode.SHIFT, KeyCode.ENTER);
        settled(() -> document.proposedProperty().get() != null
                || document.plan().index().get(port).wire().orElseThrow().isPending());
        assertThat(fx(() ->
                        document.plan().index().get(port).wire().orElseThrow().inForce()))
                .as("what is in force stays")
                .isEqualTo(before);
    }

    @Test
    void everyFieldOfEveryKindIsInTheWindow(FxRobot robot) {
        robot.push(KeyCode.CONTROL, KeyCode.E);
        for (Kind<?> kind : Kind.ALL) {
            every(robot, kind);
        }
    }

    private <E> void every(FxRobot robot, Kind<E> kind) {
        if (plan().all(kind).isEmpty()) {
            return; // the demo has none of them; EntriesTest walks their fields
        }
        Id<E> id = kind.idOf(plan().all(kind).get(0));
        choose(id);
        for (Field<E> each : Entries.of(kind)) {
            settled(() -> field(robot, each.key()).isPresent());
            Node control = field(robot, each.key()).orElseThrow();
            assertThat(control.getAccessibleText()).as("%s of %s", each, id).startsWith(each.title() + " of ");
            assertThat(control.isFocusTraversable()).as("%s by keys", each).isTrue();
        }
    }

    @Test
    void somethingIsAddedAndRemovedByKeysAndRefusedBesideTheForm(FxRobot robot) {
        Id<Host> desk = Kind.HOST.id("hut-console");
        choose(desk);
        int before = document.plan().index().host(desk).adapters().size();
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A);
        settled(() -> robot.lookup("An adapter").tryQuery().isPresent());
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A); // as a key that is held does
        settled(() -> Window.getWindows().stream()
                        .filter(ContextMenu.class::isInstance)
                        .filter(Window::isShowing)
                        .count()
                == 1);
        robot.push(KeyCode.ENTER); // the first is chosen already
        settled(() -> robot.lookup("#add-0").tryQuery().filter(Node::isFocused).isPresent());
        robot.push(KeyCode.CONTROL, KeyCode.A).write("Show Wi-Fi").push(KeyCode.ENTER);
        settled(() -> document.plan().index().host(desk).adapters().size() == before + 1);
        settled(() -> {
            Id<?> selected = document.selectionProperty().get();
            return selected != null && document.plan().index().name(selected).startsWith("Show Wi-Fi");
        });
        robot.push(KeyCode.CONTROL, KeyCode.DELETE);
        settled(() -> document.plan().index().host(desk).adapters().size() == before);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().index().host(desk).adapters().size() == before + 1);

        robot.push(KeyCode.ESCAPE);
        settled(() -> document.selectionProperty().get() == null);
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A);
        settled(() -> robot.lookup("A universe").tryQuery().isPresent());
        robot.push(KeyCode.DOWN).push(KeyCode.DOWN).push(KeyCode.ENTER);
        settled(() -> robot.lookup("#add-0").tryQuery().filter(Node::isFocused).isPresent());
        robot.push(KeyCode.CONTROL, KeyCode.A).write("1").push(KeyCode.ENTER);
        settled(() -> robot.lookup("#add-wrong")
                .queryAs(Label.class)
                .getText()
                .equals("There is a universe 1 already: Glasshouse north."));
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#add-0").tryQuery().isEmpty());
    }
}
