package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.geometry.Side;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import zentrel.app.document.OpenDocument;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Named;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/** One box to go to anything or do anything: type a name, a number or a command, choose, Enter. */
public final class GoToBox extends TextField {
    /** Something that the box can do. */
    public record Command(String name, Runnable action) {}

    private static final int MOST = 9;

    private final OpenDocument document;
    private final Supplier<List<Command>> commands;
    private final ContextMenu menu = new ContextMenu();
    private List<Command> offered = List.of();

    public GoToBox(OpenDocument document, Supplier<List<Command>> commands) {
        this.document = document;
        this.commands = commands;
        setPromptText("Go to, or do …      Ctrl K");
        setPrefWidth(250);
        setId("go-to");
        setAccessibleText("Go to, or do");
        textProperty().addListener(o -> offer());
        setOnAction(e -> {
            if (!offered.isEmpty()) {
                run(offered.get(0));
            }
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                clear();
                menu.hide();
            }
        });
    }

    private void run(Command command) {
        menu.hide();
        clear();
        command.action().run();
    }

    private void offer() {
        String typed = getText().toLowerCase(Locale.ROOT).strip();
        menu.hide();
        if (typed.isEmpty()) {
            offered = List.of();
            return;
        }
        offered = matches(typed);
        menu.getItems()
                .setAll(offered.stream()
                        .map(c -> {
                            MenuItem item = new MenuItem(c.name());
                            item.setMnemonicParsing(false);
                            item.setOnAction(e -> run(c));
                            return item;
                        })
                        .toList());
        if (!offered.isEmpty() && getScene() != null && getScene().getWindow() != null && isFocused()) {
            menu.show(this, Side.BOTTOM, 0, 0);
        }
    }

    /** What fits the text, names that begin with it first. */
    private List<Command> matches(String typed) {
        List<Command> begins = new ArrayList<>();
        List<Command> holds = new ArrayList<>();
        for (Command command : all()) {
            String name = command.name().toLowerCase(Locale.ROOT);
            if (name.startsWith(typed)) {
                begins.add(command);
            } else if (name.contains(typed)) {
                holds.add(command);
            }
        }
        begins.addAll(holds);
        return begins.stream().limit(MOST).toList();
    }

    private List<Command> all() {
        List<Command> all = new ArrayList<>(commands.get());
        Plan plan = document.plan();
        plan.hosts().forEach(h -> all.add(goTo(h.name(), h.id())));
        plan.universes().forEach(u -> all.add(goTo(label(u), u.id())));
        plan.fixtures().forEach(f -> all.add(goTo(label(f), f.id())));
        plan.applications().forEach(a -> all.add(goTo(a.name() + " (application)", a.id())));
        plan.links().forEach(l -> all.add(goTo(l.name() + " (control link)", l.id())));
        for (Named s : plan.segments()) {
            all.add(goTo(s.name() + " (segment)", s.id()));
        }
        return all;
    }

    private Command goTo(String name, Id id) {
        return new Command(name, () -> document.select(id));
    }

    private static String label(Universe u) {
        return u.label() + " " + u.name();
    }

    private static String label(Fixture f) {
        return (f.number().isEmpty() ? "" : f.number() + " ") + f.name();
    }
}
