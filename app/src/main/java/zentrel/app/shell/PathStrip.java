package zentrel.app.shell;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Hint;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.check.Report;
import zentrel.look.NextLook;
import zentrel.look.Seen;
import zentrel.path.Hop;
import zentrel.path.HopKind;
import zentrel.path.Leg;
import zentrel.path.PathReport;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;

/** The path strip: the ten hops of what is selected, always there. The worst path first; others a step away. */
public final class PathStrip extends VBox {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    private final OpenDocument document;
    private Evidence evidence = Evidence.NONE;
    private List<SignalPath> paths = List.of();
    private int shownPath;
    private int shownLeg;
    private @Nullable HopKind chosenHop;
    private final Map<String, List<Seen>> looks = new HashMap<>();
    private boolean looking;

    public PathStrip(OpenDocument document) {
        this.document = document;
        getStyleClass().add("strip");
        setAccessibleText("Path strip");
        document.reportProperty().addListener(o -> renew());
        document.selectionProperty().addListener(o -> renew());
        addEventHandler(KeyEvent.KEY_PRESSED, this::keys);
        refresh();
    }

    /** Shows what was seen beside what was computed. */
    public void setEvidence(Evidence value) {
        evidence = value;
        refresh();
    }

    /** The path that is shown, if any. */
    public Optional<SignalPath> shown() {
        return shownPath < paths.size() ? Optional.of(paths.get(shownPath)) : Optional.empty();
    }

    private void keys(KeyEvent event) {
        if (event.getCode() == KeyCode.PAGE_UP) {
            step(-1);
        } else if (event.getCode() == KeyCode.PAGE_DOWN) {
            step(1);
        } else {
            return;
        }
        event.consume();
    }

    private void step(int by) {
        if (!paths.isEmpty()) {
            shownPath = Math.floorMod(shownPath + by, paths.size());
            shownLeg = 0;
            chosenHop = null;
            refresh();
        }
    }

    private void renew() {
        Report report = document.reportProperty().get();
        Id id = document.selectionProperty().get();
        paths = List.of();
        shownPath = 0;
        shownLeg = 0;
        chosenHop = null;
        looking = false;
        if (report != null && id != null && report.plan().index().find(id).isPresent()) {
            PathReport found = report.signalPaths().of(id);
            paths = found.paths().stream()
                    .sorted(java.util.Comparator.comparing(SignalPath::verdict).reversed())
                    .toList();
        }
        refresh();
    }

    private void refresh() {
        getChildren().clear();
        Report report = document.reportProperty().get();
        Optional<SignalPath> path = shown();
        if (report == null || path.isEmpty()) {
            getChildren()
                    .add(Texts.of(
                            document.selectionProperty().get() == null
                                    ? "Choose a fixture, a universe, a device or a link: its path appears here, hop by hop."
                                    : "No signal passes through this.",
                            "soft"));
            return;
        }
        PlanIndex index = report.plan().index();
        Leg leg = path.get().legs().get(Math.min(shownLeg, path.get().legs().size() - 1));
        getChildren().add(head(index, path.get(), leg));
        Map<HopKind, Evidence.Sight> sights =
                sights(path.get(), path.get().legs().indexOf(leg));
        boolean link = path.get().protocol().equals("osc");
        HBox hops = new HBox();
        for (Hop hop : leg.hops()) {
            Node node = hop(hop, link, Optional.ofNullable(sights.get(hop.kind())));
            HBox.setHgrow(node, Priority.ALWAYS);
            hops.getChildren().add(node);
        }
        getChildren().add(hops);
        getChildren()
                .add(
                        looking
                                        && path.get().source().isPresent()
                                        && path.get().receiver().isPresent()
                                ? lookRow(report.plan(), path.get())
                                : sentence(path.get(), leg, sights));
    }

    // --- the next look ---

    private static String key(SignalPath path) {
        return path.signal().map(Id::value).orElse("") + " "
                + path.receiver().map(Id::value).orElse("");
    }

    /** What the bench saw, and what people answered. */
    private Map<HopKind, Evidence.Sight> sights(SignalPath path, int leg) {
        Map<HopKind, Evidence.Sight> all = new HashMap<>(evidence.of(path));
        for (Seen seen : looks.getOrDefault(key(path), List.of())) {
            if (seen.answer() != Seen.Answer.CANNOT_TELL && seen.place() / 10 == leg) {
                all.put(
                        HopKind.of(seen.place() % 10 + 1),
                        new Evidence.Sight(
                                seen.answer() == Seen.Answer.YES,
                                "at " + TIME.format(seen.at().atZone(ZoneId.systemDefault())) + ", " + seen.by()));
            }
        }
        return all;
    }

    /** Asks where to look for what does not respond, or says that it was found. */
    private Node lookRow(Plan plan, SignalPath path) {
        List<Seen> seen = new ArrayList<>(List.of(
                new Seen(path.hops().toList().size() - 1, Seen.Answer.NO, Instant.now(), ""))); // it does not respond
        seen.addAll(looks.getOrDefault(key(path), List.of()));
        NextLook look = NextLook.of(plan, path, seen);
        Label text = Texts.wrapped(
                look.next().map(n -> (n.place() + 1) + "  " + n.question()).orElse(look.says()));
        text.setId("look-text");
        text.setMinWidth(0);
        text.setMaxHeight(40);
        HBox.setHgrow(text, Priority.ALWAYS);
        HBox row = new HBox(8, text, Mark.gap());
        row.setAlignment(Pos.CENTER_LEFT);
        look.next()
                .ifPresent(n -> row.getChildren()
                        .addAll(
                                answer("Yes", path, n.place(), Seen.Answer.YES),
                                answer("No", path, n.place(), Seen.Answer.NO),
                                answer("Cannot tell", path, n.place(), Seen.Answer.CANNOT_TELL)));
        if (!looks.getOrDefault(key(path), List.of()).isEmpty()) {
            row.getChildren().add(kept(button("Begin anew", () -> {
                looks.remove(key(path));
                refresh();
            })));
        }
        row.getChildren().add(kept(button("Leave it", () -> {
            looking = false;
            refresh();
        })));
        Hint.on(text, look::says);
        return row;
    }

    private Button answer(String words, SignalPath path, int place, Seen.Answer answer) {
        Button button = kept(button(words, () -> {
            looks.computeIfAbsent(key(path), k -> new ArrayList<>())
                    .add(new Seen(place, answer, Instant.now(), System.getProperty("user.name", "somebody")));
            refresh();
        }));
        button.setId("look-" + answer.name().toLowerCase(Locale.ROOT));
        return button;
    }

    private static Button kept(Button button) {
        button.setMinWidth(Region.USE_PREF_SIZE);
        return button;
    }

    /** Asks for the next look at what is shown. */
    public void look() {
        looking = true;
        refresh();
    }

    private Node head(PlanIndex index, SignalPath path, Leg leg) {
        String from = path.source().map(index::name).orElse("nobody");
        String to = path.receiver().map(index::name).orElse("nobody");
        if (path.legs().indexOf(leg) == 1) {
            String swap = from;
            from = to;
            to = swap;
        }
        Label title = Texts.of(from + " → " + to, "strong");
        Label how = Texts.mono(words(path), "soft");
        HBox head = new HBox(12, title, how);
        head.setAlignment(Pos.CENTER_LEFT);
        if (path.legs().size() > 1) {
            head.getChildren()
                    .add(button(shownLeg == 0 ? "there; show the way back" : "back; show the way there", () -> {
                        shownLeg = 1 - shownLeg;
                        chosenHop = null;
                        refresh();
                    }));
        }
        if (paths.size() > 1) {
            head.getChildren()
                    .addAll(
                            button("‹", "Path before", () -> step(-1)),
                            Texts.mono((shownPath + 1) + " of " + paths.size(), "soft"),
                            button("›", "Next path", () -> step(1)));
        }
        Label verdict = Texts.of(verdictText(path), Mark.styleOf(path.verdict()));
        head.getChildren().add(Mark.gap());
        if (!looking && path.source().isPresent() && path.receiver().isPresent()) {
            Button look = kept(button("Where to look next", this::look));
            look.setId("look-next");
            head.getChildren().add(look);
        }
        head.getChildren().add(verdict);
        return head;
    }

    private static String words(SignalPath path) {
        String protocol = switch (path.protocol()) {
            case "artnet" -> "Art-Net";
            case "sacn" -> "sACN";
            case "osc" -> "OSC";
            default -> path.protocol();
        };
        return protocol + " · "
                + (path.delivery().equals("found")
                        ? "to those found"
                        : path.delivery().replace('-', ' '));
    }

    private static String verdictText(SignalPath path) {
        Optional<Hop> decisive = path.decisive();
        if (decisive.isEmpty()) {
            return path.verdict() == Verdict.PASSES ? "passes all hops" : "nothing to judge";
        }
        String at = path.verdict().title() + " at " + decisive.get().kind().number() + " of 10";
        return at + decisive.get().issue().map(i -> ": " + i.brief()).orElse("");
    }

    private Node hop(Hop hop, boolean link, Optional<Evidence.Sight> sight) {
        boolean would = hop.would();
        Mark mark = Mark.of(hop.verdict());
        if (would && hop.verdict() == Verdict.PASSES) {
            mark.setOpacity(0.5);
        }
        Line before = line(hop, sight);
        HBox drawn = new HBox(4, mark, before);
        drawn.setAlignment(Pos.CENTER_LEFT);
        Label label = Texts.of(
                hop.kind().number() + " "
                        + (link ? hop.kind().linkTitle() : hop.kind().title()),
                "small");
        String briefly = sight.map(s -> (s.arrived() ? "seen " : "not seen ") + s.text())
                .orElse(would && hop.verdict() == Verdict.PASSES ? "would pass" : hop.brief());
        Label brief = Texts.mono(briefly, "small");
        brief.getStyleClass()
                .add(
                        would && hop.verdict() == Verdict.PASSES
                                ? "soft"
                                : hop.verdict() == Verdict.PASSES ? "soft" : Mark.styleOf(hop.verdict()));
        VBox column = new VBox(2, drawn, label, brief);
        column.getStyleClass().add("hop");
        boolean chosen = hop.kind() == chosenHop;
        if (chosen) {
            column.getStyleClass().add("chosen");
        }
        column.setMinWidth(0);
        column.setPrefWidth(120);
        before.endXProperty().bind(column.widthProperty().subtract(34));
        column.setFocusTraversable(true);
        column.setAccessibleText("Hop " + hop.kind().number() + ", "
                + label.getText().substring(label.getText().indexOf(' ') + 1) + ": "
                + hop.verdict().title() + ". " + hop.text());
        Hint.on(column, hop::text);
        column.setOnMouseClicked(e -> choose(hop.kind()));
        column.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                choose(hop.kind());
                e.consume();
            }
        });
        StackPane holder = new StackPane(column);
        holder.setMinWidth(0);
        holder.setPrefWidth(120);
        StackPane.setAlignment(column, Pos.TOP_LEFT);
        return holder;
    }

    private void choose(HopKind kind) {
        chosenHop = kind;
        refresh();
    }

    private static Line line(Hop hop, Optional<Evidence.Sight> sight) {
        Line line = new Line(0, 0, 60, 0);
        line.getStyleClass().add("hop-line");
        if (hop.would() || hop.verdict() == Verdict.BROKEN) {
            line.getStyleClass().add("would");
        } else if (hop.verdict() == Verdict.PASSES) {
            line.getStyleClass().add("passes");
        }
        if (sight.filter(Evidence.Sight::arrived).isPresent()) {
            line.getStyleClass().add("seen");
        }
        return line;
    }

    private Node sentence(SignalPath path, Leg leg, Map<HopKind, Evidence.Sight> sights) {
        Optional<Hop> hop = chosenHop == null
                ? path.decisive().filter(h -> leg.hops().contains(h))
                : Optional.of(leg.hop(chosenHop));
        HBox row = new HBox(12);
        row.setAlignment(Pos.CENTER_LEFT);
        hop.ifPresent(h -> {
            Label text = Texts.of(h.kind().number() + "  " + h.text());
            text.setMinWidth(0);
            HBox.setHgrow(text, Priority.ALWAYS);
            Hint.on(text, h::text);
            row.getChildren().add(text);
            h.issue().ifPresent(i -> {
                Button cause = button("Go to the cause", () -> document.select(i.cause()));
                cause.setMinWidth(Region.USE_PREF_SIZE);
                row.getChildren().addAll(Mark.gap(), cause);
            });
        });
        if (hop.isEmpty()) {
            row.getChildren()
                    .add(Texts.of(
                            sights.isEmpty()
                                    ? "Computed from the plan. The bench shows it with real packets."
                                    : "Thick lines were seen by the bench.",
                            "soft",
                            "small"));
        }
        return row;
    }

    private static Button button(String text, Runnable action) {
        return button(text, text, action);
    }

    private static Button button(String text, String accessible, Runnable action) {
        Button button = new Button(text);
        button.getStyleClass().add("quiet");
        button.setAccessibleText(accessible);
        button.setOnAction(e -> action.run());
        return button;
    }
}
