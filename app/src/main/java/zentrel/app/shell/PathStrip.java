package zentrel.app.shell;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Hint;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.check.PathFindings;
import zentrel.check.Report;
import zentrel.look.Beside;
import zentrel.look.Seen;
import zentrel.path.Hop;
import zentrel.path.HopKind;
import zentrel.path.Issue;
import zentrel.path.Leg;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.Answer;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;

/** The path strip: the ten hops of what is selected, always there. The worst path first; others a step away. */
public final class PathStrip extends VBox {
    private UnaryOperator<List<SignalPath>> order = UnaryOperator.identity();
    private final OpenDocument document;
    private Evidence evidence = Evidence.NONE;
    private List<SignalPath> paths = List.of();
    private int shownPath;
    private int shownLeg;
    private @Nullable HopKind chosenHop;
    private boolean looking;
    private boolean comparing;
    private @Nullable Id<?> shownFor;

    public PathStrip(OpenDocument document) {
        this.document = document;
        getStyleClass().add("strip");
        setAccessibleText("Path strip");
        document.reportProperty().addListener(o -> renew());
        document.selectionProperty().addListener(o -> renew());
        addEventHandler(KeyEvent.KEY_PRESSED, this::keys);
        refresh();
    }

    /** Shows paths in this order from now on, where it is given the worst first. */
    public void orderBy(UnaryOperator<List<SignalPath>> value) {
        order = value;
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
        Id<?> id = document.selectionProperty().get();
        Optional<SignalPath> before = shown();
        boolean again = id != null && id.equals(shownFor);
        shownFor = id;
        paths = List.of();
        chosenHop = null;
        looking = looking && again;
        comparing = comparing && again;
        shownPath = 0;
        shownLeg = again ? shownLeg : 0;
        if (report != null && id != null && report.plan().index().find(id).isPresent()) {
            paths = order.apply(
                    PathFindings.of(report, report.signalPaths().of(id)).worstFirst());
        }
        if (again && before.isPresent()) {
            SignalPath same = before.get();
            shownPath = paths.stream()
                    .filter(p ->
                            p.signal().equals(same.signal()) && p.receiver().equals(same.receiver()))
                    .findFirst()
                    .map(paths::indexOf)
                    .orElse(0);
        }
        refresh();
    }

    private void refresh() {
        getChildren().clear();
        getStyleClass().removeAll("two", "one");
        Report report = document.reportProperty().get();
        Optional<SignalPath> path = shown();
        if (report == null || path.isEmpty()) {
            getStyleClass().add("one"); // the page gets the room
            getChildren()
                    .add(Texts.of(
                            document.selectionProperty().get() == null
                                    ? "Choose a fixture, a universe, a device or a link: its path appears here, hop by hop."
                                    : "No signal passes through this.",
                            "soft"));
            return;
        }
        Leg leg = path.get().legs().get(Math.min(shownLeg, path.get().legs().size() - 1));
        getChildren().add(head(report.plan(), path.get(), leg));
        Map<HopKind, Evidence.Sight> sights = sights(
                report.plan(), path.get(), Math.min(shownLeg, path.get().legs().size() - 1));
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
                                ? new LookRow(document, report.plan(), path.get(), () -> {
                                    looking = false;
                                    refresh();
                                })
                                : sentence(path.get(), leg, sights));
        if (comparing) {
            getStyleClass().add("two");
            beside(report, path.get(), path.get().legs().indexOf(leg));
        }
    }

    /** What the bench saw, and what people answered; whoever saw it at a hop saw it pass those before. */
    private Map<HopKind, Evidence.Sight> sights(Plan plan, SignalPath path, int leg) {
        Map<HopKind, Evidence.Sight> all = new HashMap<>(evidence.of(path));
        List<Seen> seen = Seen.of(plan, path);
        int furthest = seen.stream()
                .filter(s -> s.answer() == Answer.YES)
                .mapToInt(Seen::place)
                .max()
                .orElse(-1);
        int hops = HopKind.values().length;
        for (int place = leg * hops; place < Math.min(furthest, (leg + 1) * hops); place++) {
            all.putIfAbsent(HopKind.of(place % hops + 1), new Evidence.Sight(true, "further on"));
        }
        for (Seen one : seen) {
            if (one.answer() != Answer.CANNOT_TELL && one.place() / hops == leg) {
                all.put(
                        HopKind.of(one.place() % hops + 1),
                        new Evidence.Sight(one.answer() == Answer.YES, LookRow.when(one) + ", " + one.by()));
            }
        }
        return all;
    }

    /** Asks for the next look at what is shown. */
    public void look() {
        looking = true;
        refresh();
    }

    /** Puts a path that works under the one that is shown, or takes it away again. */
    public void beside() {
        comparing = !comparing;
        refresh();
    }

    /** The path that works, hop under hop, with the hops marked at which the two part. */
    private void beside(Report report, SignalPath path, int leg) {
        Report from = report;
        VBox place = new VBox(2);
        getChildren().add(2, place);
        document.derive(from, r -> Beside.of(r.signalPaths(), path), found -> {
            if (found.isEmpty()) {
                place.getChildren().add(Texts.of("No path of the plan works that could stand beside it.", "soft"));
                return;
            }
            Beside beside = found.get();
            SignalPath works = beside.works();
            HBox hops = new HBox();
            for (Hop hop : works.legs().get(leg).hops()) {
                Node node = hop(hop, works.protocol().equals("osc"), Optional.empty());
                if (beside.differ()
                        .contains(leg * HopKind.values().length + hop.kind().number() - 1)) {
                    node.getStyleClass().add("differs");
                }
                HBox.setHgrow(node, Priority.ALWAYS);
                hops.getChildren().add(node);
            }
            Label says = Texts.of(beside.says(), "soft", "small");
            says.setId("beside-says");
            Hint.on(says, beside::says);
            place.getChildren().addAll(says, hops);
        });
    }

    private Node head(Plan plan, SignalPath path, Leg leg) {
        PlanIndex index = plan.index();
        String from = path.source().map(index::name).orElse("nobody");
        String to = path.receiver().map(index::name).orElse("nobody");
        int at = Math.min(shownLeg, path.legs().size() - 1);
        if (at > 0 || !isAnswered(path)) {
            from = path.legs().size() == 1 ? from : index.name(leg.from());
            to = at == path.legs().size() - 1 && !isAnswered(path) ? to : index.name(leg.to());
        }
        Label title = Texts.of(from + " → " + to, "strong");
        Label how = Texts.mono(words(path), "soft");
        HBox head = new HBox(12, title, how);
        head.setAlignment(Pos.CENTER_LEFT);
        if (path.legs().size() > 1) {
            head.getChildren()
                    .add(button(
                            isAnswered(path)
                                    ? at == 0 ? "there; show the way back" : "back; show the way there"
                                    : "leg " + (at + 1) + " of " + path.legs().size() + "; show the next",
                            () -> {
                                shownLeg = (at + 1) % path.legs().size();
                                chosenHop = null;
                                refresh();
                            }));
        }
        if (paths.size() > 1) {
            Label count = Texts.mono((shownPath + 1) + " of " + paths.size(), "soft");
            count.setMinWidth(USE_PREF_SIZE);
            Button before = button("‹", "Path before", () -> step(-1));
            head.getChildren().addAll(before, count, button("›", "Next path", () -> step(1)));
        }
        Label verdict = Texts.of(verdictText(path), Mark.styleOf(path.verdict()));
        LookRow.known(plan, path).ifPresent(k -> {
            verdict.setText(k);
            verdict.getStyleClass().setAll("label", "at-risk");
        });
        head.getChildren().add(Mark.gap());
        if (path.verdict().compareTo(Verdict.AT_RISK) >= 0 || comparing) {
            Button beside =
                    LookRow.kept(button(comparing ? "Hide the other" : "Compare with a working path", this::beside));
            beside.setId("beside");
            head.getChildren().add(beside);
        }
        if (!looking && path.source().isPresent() && path.receiver().isPresent()) {
            Button look = LookRow.kept(button("Where to look next", this::look));
            look.setId("look-next");
            head.getChildren().add(look);
        }
        head.getChildren().add(verdict);
        return head;
    }

    /** Whether its second leg is an answer, which goes back to where it came from, and no stretch behind a bridge. */
    private static boolean isAnswered(SignalPath path) {
        return path.legs().size() == 2
                && path.legs().get(0).from().equals(path.legs().get(1).to())
                && path.legs().get(0).to().equals(path.legs().get(1).from());
    }

    private static String words(SignalPath path) {
        String protocol = switch (path.protocol()) {
            case "artnet" -> "Art-Net";
            case "sacn" -> "sACN";
            case "osc" -> "OSC";
            case "own" -> "its own stream";
            default -> path.protocol();
        };
        return protocol + " · "
                + (path.delivery().equals("found")
                        ? "unicast to discovered nodes"
                        : path.delivery().replace('-', ' '));
    }

    private String verdictText(SignalPath path) {
        Optional<Hop> decisive = path.decisive();
        if (decisive.isEmpty()) {
            return path.verdict() == Verdict.PASSES ? "passes all hops" : "nothing to judge";
        }
        String at = path.verdict().title() + " at " + decisive.get().kind().number() + " of 10";
        return at + decisive.get().issue().map(i -> ": " + words().brief(i)).orElse("");
    }

    /** The words of what is judged, with the names that it was judged with. */
    private PathWords words() {
        return PathWords.of(Objects.requireNonNull(document.reportProperty().get(), "the report")
                .signalPaths());
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
                .orElse(would && hop.verdict() == Verdict.PASSES ? "would pass" : words().brief(hop));
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
                + hop.verdict().title() + ". " + words().text(hop));
        Hint.on(column, () -> words().text(hop));
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
            Label text = Texts.of(h.kind().number() + "  " + words().text(h));
            text.setMinWidth(0);
            HBox.setHgrow(text, Priority.ALWAYS);
            Hint.on(text, () -> words().text(h));
            row.getChildren().add(text);
            h.issue().ifPresent(i -> {
                Button cause = LookRow.kept(button("Go to the cause", () -> document.select(i.cause())));
                row.getChildren().addAll(Mark.gap(), cause);
                mend(row, i);
            });
        });
        if (hop.isEmpty()) {
            String computed = "Computed from the plan. The bench shows it with real packets.";
            String seen = "Thick lines were seen by the bench.";
            row.getChildren().add(Texts.of(sights.isEmpty() ? computed : seen, "soft", "small"));
        }
        return row;
    }

    /** What mends it in one step, once that was tried. */
    private void mend(HBox row, Issue issue) {
        Report report = document.reportProperty().get();
        if (report != null) {
            report.finding(issue.fixId())
                    .ifPresent(finding -> document.withProvenFixes(
                            finding,
                            proven -> proven.fixes().stream().findFirst().ifPresent(fix -> {
                                Button mend = LookRow.kept(button(fix.text(), () -> document.apply(fix.edit())));
                                mend.setId("strip-fix");
                                row.getChildren().add(mend);
                            })));
        }
    }

    static Button button(String text, Runnable action) {
        return button(text, text, action);
    }

    private static Button button(String text, String accessible, Runnable action) {
        Button button = new Button(text);
        button.getStyleClass().add("quiet");
        button.setAccessibleText(accessible);
        button.setOnAction(e -> action.run());
        return button;
    }

    /** The hop that was chosen to be read, if one was. */
    public Optional<HopKind> chosen() {
        return Optional.ofNullable(chosenHop);
    }
}
