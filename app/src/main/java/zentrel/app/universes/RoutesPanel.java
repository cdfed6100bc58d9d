package zentrel.app.universes;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.app.shell.TableInput;
import zentrel.check.Effect;
import zentrel.check.Report;
import zentrel.plan.Edit;
import zentrel.routing.RoutingTable;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/** A table of ports and their numbers taken over: pasted or read from a file, with what would change and what is left out. */
final class RoutesPanel extends Panel {
    private static final int MOST_SHOWN = 200;

    private final OpenDocument document;
    private final VBox lines = new VBox(3);
    private final Button set;
    private @Nullable Edit edit;

    /** What was worked out, and what is said of it; or why it will not do. */
    private record Worked(Optional<RoutingTable.Taken> taken, String says) {}

    RoutesPanel(OpenDocument document, Runnable away) {
        super("Import a table of routes", away);
        this.document = document;
        set = Buttons.action("Set it all", "routes-set", this::set);
        TableInput input =
                new TableInput(document, "routes", "Receiver;Port;Protocol;Number;On", this::clear, this::read);
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(input, row(input.file(), set, back("routes-leave", "Discard")), scroll);
        clear();
    }

    private void clear() {
        edit = null;
        set.setDisable(true);
        lines.getChildren().clear();
    }

    private void read(TextTable table) {
        Report report = document.reportProperty().get();
        if (report != null) {
            document.derive(
                    report,
                    r -> {
                        try {
                            RoutingTable.Taken taken = RoutingTable.take(r.plan(), table);
                            return new Worked(
                                    Optional.of(taken),
                                    Effect.of(r, taken.edit().applyTo(r.plan())).sentence());
                        } catch (IllegalArgumentException e) {
                            return new Worked(Optional.empty(), String.valueOf(e.getMessage()));
                        }
                    },
                    this::show);
        }
    }

    private void show(Worked worked) {
        clear();
        if (worked.taken().isEmpty()) {
            lines.getChildren().add(Texts.wrapped(worked.says(), "at-risk"));
            return;
        }
        RoutingTable.Taken taken = worked.taken().get();
        lines.getChildren()
                .add(Texts.of("Ports that change: " + taken.changes().size() + " · rows as in the plan: " + taken.same()
                        + " · rows left out: " + taken.leftOut().size()));
        LeftOut.lines(taken.leftOut()).forEach(l -> lines.getChildren().add(Texts.wrapped(l, "at-risk")));
        taken.changes().stream()
                .limit(MOST_SHOWN)
                .forEach(c -> lines.getChildren().add(Texts.wrapped(c)));
        if (!taken.changes().isEmpty()) {
            lines.getChildren().add(Texts.wrapped(worked.says(), "soft"));
            edit = taken.edit();
            set.setDisable(false);
        }
    }

    private void set() {
        Edit made = edit;
        if (made != null) {
            document.apply(made);
            leave();
        }
    }
}
