package zentrel.app.shell;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import org.jspecify.annotations.Nullable;
import zentrel.address.SubnetInWords;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.check.Finding;
import zentrel.check.Fix;
import zentrel.check.PathFindings;
import zentrel.check.Report;
import zentrel.check.Rule;
import zentrel.check.RuleBook;
import zentrel.check.Severity;
import zentrel.gear.SettingChange;
import zentrel.machine.MachineSheet;
import zentrel.path.HopKind;
import zentrel.path.Issue;
import zentrel.path.SignalPath;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Related;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.ProfileSign;
import zentrel.source.Sourced;
import zentrel.text.Counted;

/** The margin: what is selected, what is wrong with it and how to mend it, what to set on the device. */
public final class MarginPane extends ScrollPane {
    private static final int MOST_NAMES = 6;
    private static final double OVERVIEW_WIDTH = 238;

    private final OpenDocument document;
    private final ActionRow actions;
    private final Consumer<String> help;
    private final VBox box = new VBox();
    private final Label counts = Texts.wrapped("", "soft");
    private List<String> listed = List.of();
    private String listedName = "";
    private Runnable onRead = () -> {};
    private boolean entering;
    private Optional<String> firstRule = Optional.empty();
    private @Nullable String enteredLast;

    /** @param help shows the help page of a name */
    public MarginPane(OpenDocument document, UserLibrary library, Consumer<String> help) {
        this.document = document;
        this.help = help;
        actions = new ActionRow(document, library, this::toggleFields);
        getStyleClass().add("margin-pane");
        box.getStyleClass().add("margin-box");
        setContent(box);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setAccessibleText("Margin: facts, findings and what to set");
        document.reportProperty().addListener(o -> refresh());
        document.proposedProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> {
            document.leave();
            enteredLast = null;
            actions.close();
            setVvalue(0);
            refresh();
        });
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        Id<?> id = document.selectionProperty().get();
        if (report != null && id == null && document.proposedProperty().get() == null && overviewIsOf(report)) {
            counts.setText(counts(report.plan())); // the findings are the same, so their rows may stay
            return;
        }
        box.getChildren().clear();
        listed = List.of();
        if (report == null) {
            return;
        }
        SettingChange proposed = document.proposedProperty().get();
        if (proposed != null) {
            box.getChildren().add(new ChangeBox(document, proposed));
            setVvalue(0);
            return;
        }
        if (id == null || report.plan().index().find(id).isEmpty()) {
            overview(report);
        } else {
            chosen(report, id);
        }
    }

    // --- nothing is selected ---

    private void overview(Report report) {
        Plan plan = report.plan();
        box.getChildren().add(Texts.wrapped(plan.name(), "title"));
        counts.setText(counts(plan));
        box.getChildren().add(counts);
        actions.ofPlan();
        box.getChildren().addAll(actions, line());
        if (plan.hosts().isEmpty()) {
            box.getChildren()
                    .add(Texts.wrapped("This plan is empty. Open a plan file, or drag one onto the window.", "soft"));
            return;
        }
        long broken = report.count(Severity.BROKEN);
        long risky = report.count(Severity.AT_RISK);
        box.getChildren()
                .add(Texts.wrapped(
                        broken == 0 && risky == 0
                                ? "Every signal reaches what it is meant for, as far as the plan says."
                                : broken + " broken · " + risky
                                        + " at risk. Choose one to see where it fails and what to set."));
        for (Finding finding : report.findings()) {
            box.getChildren().add(offered(report, finding));
        }
        listed = rows(report);
        listedName = plan.name();
    }

    private static String counts(Plan plan) {
        return Counted.of(plan.hosts().size(), "device") + " · "
                + Counted.of(plan.universes().size(), "universe") + " · "
                + Counted.of(plan.fixtures().size(), "fixture");
    }

    private static List<String> rows(Report report) {
        return report.findings().stream()
                .map(f -> f.severity() + f.id() + summary(report, f))
                .toList();
    }

    /** Whether the overview that stands there lists what this report found. */
    private boolean overviewIsOf(Report report) {
        return !listed.isEmpty() && listedName.equals(report.plan().name()) && listed.equals(rows(report));
    }

    /** A finding to choose: drawn, not a button, because there may be many and each is far lighter so. */
    private HBox offered(Report report, Finding finding) {
        Mark mark = Mark.of(finding.severity());
        mark.setTranslateY(3);
        Text words = Texts.drawn(summary(report, finding));
        words.setWrappingWidth(OVERVIEW_WIDTH);
        HBox row = new HBox(6, mark, words);
        row.getStyleClass().add("card");
        row.setFocusTraversable(true);
        row.setAccessibleRole(AccessibleRole.BUTTON);
        row.setAccessibleText(finding.severity().title() + ": " + words.getText());
        row.setOnMouseClicked(e -> document.select(finding.cause()));
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                document.select(finding.cause());
                e.consume();
            }
        });
        return row;
    }

    private static String summary(Report report, Finding finding) {
        return report.plan().index().name(finding.cause()) + " · " + title(finding);
    }

    private static String title(Finding finding) {
        return RuleBook.find(finding.rule()).map(r -> r.title()).orElse(finding.rule());
    }

    // --- something is selected ---

    private void chosen(Report report, Id<?> id) {
        Facts facts = Facts.of(report.plan(), id);
        box.getChildren().addAll(Texts.wrapped(facts.title(), "title"), Texts.wrapped(facts.line(), "soft"));
        entries(document.plan(), id);
        box.getChildren().add(line());
        Set<Id<?>> related = Related.to(report.plan(), id);
        // a box is asked about itself; its signals have findings of their own
        Set<String> onPath = id.is(Kind.ADAPTER) || id.is(Kind.HOST)
                ? Set.of()
                : PathFindings.of(report, report.signalPaths().of(id)).paths().stream()
                        .flatMap(SignalPath::issues)
                        .map(Issue::fixId)
                        .collect(Collectors.toSet());
        List<Finding> findings = report.findings().stream()
                .filter(f -> related.contains(f.cause())
                        || f.subjects().contains(id)
                        || f.subjects().stream().anyMatch(s -> s.is(Kind.ADAPTER) && related.contains(s))
                        || onPath.contains(f.id()))
                .sorted(Comparator.comparing(f -> !related.contains(f.cause())))
                .toList();
        findings.forEach(f -> box.getChildren().add(finding(report, f)));
        firstRule = findings.stream().findFirst().map(Finding::rule);
        if (findings.isEmpty()) {
            HBox fine = new HBox(8, Mark.of(zentrel.path.Verdict.PASSES), Texts.of("No problems found.", "soft"));
            fine.setAlignment(Pos.CENTER_LEFT);
            box.getChildren().add(fine);
        }
        machine(report.plan(), id);
        List<DeviceSettings.Row> settings = DeviceSettings.of(report.plan(), id);
        if (!settings.isEmpty()) {
            box.getChildren().addAll(new SettingsBox(document, report.plan(), id, settings), line());
        }
        subnets(report.plan(), id);
        names("Receives from", facts.fedBy());
        names("Sends to", facts.feeds());
        signs(report.plan(), id);
    }

    /** Everything that can be entered of it, folded as long as nobody asks. */
    private <E> void entries(Plan plan, Id<E> id) {
        if (plan.index().find(id).isEmpty()) {
            return; // it is gone already, and the report is not yet here
        }
        actions.of(id, entering);
        box.getChildren().add(actions);
        if (entering) {
            EntryBox<E> fields = new EntryBox<>(document, plan, id, key -> enteredLast = key);
            box.getChildren().add(fields);
            fields.focus(enteredLast);
        }
    }

    /** Shows everything that can be entered of what is selected, or hides it again. */
    public void toggleFields() {
        entering = !entering;
        enteredLast = null;
        setVvalue(0);
        refresh();
        if (entering) {
            box.lookupAll(".text-field").stream().findFirst().ifPresent(Node::requestFocus);
        }
    }

    /** Asks what is to be added to what is selected, or to the plan. */
    public void add() {
        actions.showMenu();
    }

    /** Told when somebody asks why something is wrong. */
    public void onRead(Runnable told) {
        onRead = told;
    }

    /** The rule of the first finding that is shown, if any is. */
    public Optional<String> firstRule() {
        return firstRule;
    }

    /** Removes what is selected, with what goes with it. */
    public void remove() {
        actions.remove();
    }

    private Node finding(Report report, Finding finding) {
        Label heading =
                Texts.wrapped(title(finding), "strong", finding.severity().word());
        Label text = Texts.wrapped(finding.text());
        VBox body = new VBox(4, heading, text);
        finding.hop().ifPresent(h -> body.getChildren().add(Texts.wrapped(diesAt(finding, h), "soft", "small")));
        HBox.setHgrow(body, Priority.ALWAYS);
        VBox buttons = new VBox(2);
        body.getChildren().add(buttons);
        Label why = Texts.wrapped(why(finding), "soft");
        VBox whole = new VBox(2, why, quiet("Help page, with an example", () -> help.accept("rule-" + finding.rule())));
        Button whyButton = quiet("Why?", () -> {});
        whyButton.setOnAction(e -> {
            if (body.getChildren().remove(whole)) {
                whyButton.setText("Why?");
            } else {
                body.getChildren().add(whole);
                onRead.run();
                whyButton.setText("Close");
            }
        });
        buttons.getChildren().add(whyButton);
        document.withProvenFixes(finding, proven -> fixes(buttons, whyButton, proven));
        Mark mark = Mark.of(finding.severity());
        mark.setTranslateY(3);
        HBox row = new HBox(8, mark, body);
        row.setFillHeight(false);
        VBox wrapper = new VBox(8, row, line());
        if (!finding.cause().equals(document.selectionProperty().get())) {
            body.getChildren()
                    .add(
                            2,
                            quiet(
                                    "Cause: " + report.plan().index().name(finding.cause()),
                                    () -> document.select(finding.cause())));
        }
        return wrapper;
    }

    /** Why the rule matters, and what is known from elsewhere that decided this one. */
    private static String why(Finding finding) {
        String why = RuleBook.find(finding.rule()).map(Rule::why).orElse("");
        return finding.restsOn().isEmpty()
                ? why
                : why + "\n\nRests on: "
                        + finding.restsOn().stream().map(Sourced::sentence).collect(Collectors.joining("; ")) + ".";
    }

    private static String diesAt(Finding finding, HopKind hop) {
        return (finding.severity() == Severity.BROKEN ? "fails at hop " : "at risk at hop ") + hop.number() + ", "
                + hop.title() + " · " + finding.rule();
    }

    private void fixes(VBox buttons, Button why, Finding proven) {
        buttons.getChildren().clear();
        Optional<Fix> first = proven.fixes().stream().findFirst();
        first.ifPresent(fix -> {
            Button button = new Button(fix.text());
            button.getStyleClass().add("action");
            button.setId("fix");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setMinHeight(USE_PREF_SIZE);
            button.setOnAction(e -> document.apply(fix.edit()));
            buttons.getChildren().add(button);
        });
        if (first.isEmpty()) {
            buttons.getChildren()
                    .add(Texts.wrapped("No single step fixes this without harm elsewhere.", "soft", "small"));
        }
        HBox more = new HBox(8, why);
        buttons.getChildren().add(more);
        if (proven.fixes().size() > 1) {
            VBox others = new VBox(2);
            Button other = quiet("Other ways", () -> {});
            other.setOnAction(e -> {
                if (others.getChildren().isEmpty()) {
                    proven.fixes().stream()
                            .skip(1)
                            .forEach(f -> others.getChildren().add(quiet(f.text(), () -> document.apply(f.edit()))));
                } else {
                    others.getChildren().clear();
                }
            });
            more.getChildren().add(other);
            buttons.getChildren().add(others);
        }
    }

    static Button quiet(String text, Runnable action) {
        Button button = new Button(text);
        button.getStyleClass().add("quiet");
        button.setMinHeight(USE_PREF_SIZE);
        button.setOnAction(e -> action.run());
        return button;
    }

    /** What the addresses of an adapter mean, in bits and in words. */
    private void subnets(Plan plan, Id<?> id) {
        if (!(plan.index().find(id).orElse(null) instanceof Adapter adapter)) {
            return;
        }
        adapter.addresses().forEach(a -> {
            SubnetInWords subnet = SubnetInWords.of(a.address().planned());
            box.getChildren()
                    .addAll(
                            Texts.heading("Its subnet"),
                            Texts.wrapped(subnet.words()),
                            Texts.mono(subnet.bits(), "small"),
                            Texts.mono(subnet.network() + "  the subnet", "soft", "small"),
                            Texts.mono(subnet.first() + "  first host", "soft", "small"),
                            Texts.mono(subnet.last() + "  last host", "soft", "small"),
                            Texts.mono(subnet.broadcast() + "  broadcast", "soft", "small"),
                            Texts.of(Counted.of(subnet.hosts(), "host") + " at most", "soft", "small"),
                            line());
        });
    }

    /** What to type, where the box is a computer whose system is known. */
    private void machine(Plan plan, Id<?> id) {
        if (plan.index().find(id).orElse(null) instanceof Host computer
                && computer.kind() == HostKind.COMPUTER
                && computer.system() != OperatingSystem.FIRMWARE) {
            Id<Host> host = computer.id();
            try {
                box.getChildren()
                        .addAll(
                                new MachineBox(
                                        document, plan.index().name(host), MachineSheet.of(plan, host, Map.of())),
                                line());
            } catch (IllegalArgumentException e) {
                box.getChildren().add(Texts.wrapped(String.valueOf(e.getMessage()), "soft"));
            }
        }
    }

    /** What is seen on the box in which state, as its profile says. */
    private void signs(Plan plan, Id<?> id) {
        List<ProfileSign> signs = Boxes.of(plan.index(), id)
                .map(h -> plan.index().host(h).signs(plan.index()))
                .orElse(List.of());
        if (signs.isEmpty()) {
            return;
        }
        box.getChildren().add(Texts.heading("What its lights and screen show"));
        for (ProfileSign sign : signs) {
            box.getChildren()
                    .add(Texts.wrapped("When " + sign.when() + ", " + sign.look() + " " + sign.shows() + ".", "soft"));
        }
    }

    private void names(String heading, List<String> names) {
        if (names.isEmpty()) {
            return;
        }
        box.getChildren().add(Texts.heading(heading));
        names.stream().limit(MOST_NAMES).forEach(n -> box.getChildren().add(Texts.wrapped(n)));
        if (names.size() > MOST_NAMES) {
            box.getChildren().add(Texts.of("and " + (names.size() - MOST_NAMES) + " more", "soft"));
        }
    }

    static Node line() {
        Region region = new Region();
        region.getStyleClass().add("rule-line");
        return region;
    }

    /** The first fix offered, for the keyboard. */
    public Optional<@Nullable Node> firstFix() {
        return Optional.ofNullable(lookup("#fix"));
    }
}
