package zentrel.app.addresses;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Daemons;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.compare.SeenAdapter;
import zentrel.compare.SeenComputer;
import zentrel.compare.UsingComputer;
import zentrel.gear.GearEdit;
import zentrel.live.ThisComputer;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.profile.AdapterKind;

/** The real adapters of this computer, read again and again while the page is open, beside the computer of the plan that it is. */
final class HerePanel extends Panel {
    private static final String NEW = "a new computer";
    private static final int EVERY_SECONDS = 2;
    private static final double[] COLUMNS = {130, 60, 160, 200, 220};

    private final OpenDocument document;
    private final ComboBox<String> hosts = new ComboBox<>();
    private final VBox lines = new VBox(8);
    private final ScheduledExecutorService reader =
            Executors.newSingleThreadScheduledExecutor(r -> Daemons.of(r, "this computer"));
    private List<SeenAdapter> seen = List.of();

    HerePanel(OpenDocument document, Runnable away) {
        super("This computer", away);
        this.document = document;
        hosts.getItems().add(NEW);
        document.plan().hosts().stream()
                .filter(h -> !h.adapters().isEmpty())
                .forEach(h -> hosts.getItems().add(h.name()));
        hosts.setId("here-host");
        hosts.setAccessibleText("Which host of the plan this computer is");
        hosts.setOnAction(e -> show());
        Button leave = back("here-leave", "Back to the rulers");
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Button take = new Button("Use this computer");
        take.setId("here-take");
        take.getStyleClass().add("action");
        take.setTooltip(
                new Tooltip("Its adapters go into the plan as they are; what is planned for them stays planned"));
        take.setOnAction(e -> take());
        getChildren()
                .addAll(row(Texts.of("It is", "soft"), hosts, Texts.of("of the plan", "soft"), take), scroll, leave);
        ScheduledFuture<?> unused = reader.scheduleWithFixedDelay(this::read, 0, EVERY_SECONDS, TimeUnit.SECONDS);
        sceneProperty().addListener((o, old, scene) -> {
            if (scene == null) {
                reader.shutdownNow(); // somebody went elsewhere
            }
        });
    }

    @Override
    protected void leave() {
        reader.shutdownNow();
        super.leave();
    }

    /** On a thread of its own. */
    private void read() {
        try {
            List<SeenAdapter> now = ThisComputer.adapters();
            Platform.runLater(() -> become(now));
        } catch (IOException e) {
            Platform.runLater(
                    () -> document.tell("This system does not tell of its adapters: " + e.getMessage() + "."));
        }
    }

    private void become(List<SeenAdapter> now) {
        if (now.equals(seen)) {
            return;
        }
        seen = now;
        if (hosts.getValue() == null) {
            hosts.setValue(likely().map(Host::name).orElse(NEW));
        }
        show();
    }

    /** Takes the computer into the plan: as the one that was chosen, else as a new one. What to type is then beside it. */
    private void take() {
        Plan plan = document.plan();
        List<SeenAdapter> now = seen;
        Optional<Host> chosen = chosen();
        document.make(
                () -> chosen.map(h -> new GearEdit(UsingComputer.as(plan, h, now), List.of(h.id())))
                        .orElseGet(() -> UsingComputer.asNew(
                                plan, "This computer", UsingComputer.system(System.getProperty("os.name")), now)),
                made -> {
                    document.select(made.hosts().get(0));
                    String name = document.plan().index().name(made.hosts().get(0));
                    if (!hosts.getItems().contains(name)) {
                        hosts.getItems().add(name);
                    }
                    hosts.setValue(name);
                    show();
                });
    }

    private Optional<Host> chosen() {
        return document.plan().hosts().stream()
                .filter(h -> h.name().equals(hosts.getValue()))
                .findFirst();
    }

    /** The host of the plan of which most is found here; nobody is guessed where nothing is. */
    private Optional<Host> likely() {
        return document.plan().hosts().stream()
                .filter(h -> h.adapters().stream().anyMatch(a -> a.kind() != AdapterKind.LOOPBACK))
                .max(java.util.Comparator.comparingInt(
                        h -> SeenComputer.of(h, seen).matched().size()))
                .filter(h -> !SeenComputer.of(h, seen).matched().isEmpty());
    }

    private void show() {
        lines.getChildren().clear();
        Optional<Host> host = chosen();
        Optional<SeenComputer> compared = host.map(h -> SeenComputer.of(h, seen));
        GridPane grid = new GridPane();
        grid.setVgap(4);
        for (double width : COLUMNS) {
            grid.getColumnConstraints().add(new ColumnConstraints(width));
        }
        grid.addRow(
                0,
                Texts.heading("Adapter"),
                Texts.heading("State"),
                Texts.heading("Hardware address"),
                Texts.heading("Addresses"),
                Texts.heading("In the plan"));
        int row = 1;
        for (SeenAdapter adapter : seen) {
            grid.addRow(
                    row++,
                    Texts.of(adapter.name()),
                    Texts.of(adapter.up() ? "up" : "down", adapter.up() ? "passes" : "soft"),
                    Texts.mono(adapter.mac().orElse(""), "soft"),
                    Texts.mono(String.join(
                            " ",
                            adapter.addresses().stream().map(Object::toString).toList())),
                    Texts.of(
                            adapter.loopback()
                                    ? "loopback"
                                    : compared.flatMap(c -> planned(c, adapter)).orElse("not in it"),
                            "soft"));
        }
        lines.getChildren().add(grid);
        if (compared.isEmpty()) {
            lines.getChildren()
                    .add(Texts.wrapped(
                            "Say which computer of the plan this is, and what differs is listed here.", "soft"));
        } else if (compared.get().differences().isEmpty()) {
            lines.getChildren().add(Texts.wrapped("This computer is as planned.", "passes"));
        } else {
            compared.get().differences().forEach(d -> lines.getChildren().add(Texts.wrapped(d, "at-risk")));
        }
    }

    private static Optional<String> planned(SeenComputer compared, SeenAdapter adapter) {
        return compared.matched().entrySet().stream()
                .filter(e -> e.getValue().equals(adapter))
                .map(e -> e.getKey())
                .map(Adapter::name)
                .findFirst();
    }
}
