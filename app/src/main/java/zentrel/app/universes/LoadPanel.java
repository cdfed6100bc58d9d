package zentrel.app.universes;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Report;
import zentrel.load.Airtime;
import zentrel.load.Load;
import zentrel.pixel.PixelSplit;
import zentrel.plan.Application;
import zentrel.plan.Delivery;
import zentrel.plan.SwitchFeatures;
import zentrel.profile.Protocol;
import zentrel.text.Counted;
import zentrel.text.Numbers;

/** What the streams come to on each cable, and what would be with more universes, or with pixels that need some. */
final class LoadPanel extends Panel {
    private static final double[] COLUMNS = {250, 72, 72, 72, 72, 84, 170};
    private static final double BAR = 90;
    private static final double NUMBER = 62;

    private final OpenDocument document;
    private final TextField universes = new TextField("0");
    private final TextField pixels = new TextField("");
    private final ComboBox<String> of = new ComboBox<>();
    private final ComboBox<String> from = new ComboBox<>();
    private final ComboBox<String> protocol = new ComboBox<>();
    private final CheckBox broadcast = new CheckBox("broadcast");
    private final CheckBox querierDies = new CheckBox("the querier fails");
    private final VBox lines = new VBox(10);

    LoadPanel(OpenDocument document, Runnable away) {
        super("Load on each cable", away);
        this.document = document;
        universes.setId("load-universes");
        universes.setPrefColumnCount(5);
        universes.setAccessibleText("What if: so many more universes");
        universes.setOnAction(e -> work());
        pixels.setId("load-pixels");
        pixels.setPrefColumnCount(6);
        pixels.setPromptText("pixels");
        pixels.setAccessibleText("As many as so many pixels need");
        pixels.setOnAction(e -> count());
        of.getItems().addAll("RGB", "RGBW");
        of.getSelectionModel().selectFirst();
        of.setAccessibleText("Slots of a pixel");
        of.setOnAction(e -> count());
        document.plan().applications().stream()
                .filter(a -> !document.plan().index().streamsFrom(a.id()).isEmpty())
                .map(Application::name)
                .forEach(from.getItems()::add);
        from.getSelectionModel().selectFirst();
        from.setAccessibleText("Who would send them");
        from.setOnAction(e -> work());
        protocol.getItems().addAll(Protocol.SACN.title(), Protocol.ARTNET.title());
        protocol.getSelectionModel().selectFirst();
        protocol.setAccessibleText("By which protocol");
        protocol.setOnAction(e -> work());
        broadcast.setOnAction(e -> work());
        querierDies.setId("load-querier");
        querierDies.setOnAction(e -> work());
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        row(
                                Texts.of("What if", "soft"),
                                universes,
                                Texts.of("more universes of", "soft"),
                                protocol,
                                Texts.of("came from", "soft"),
                                from,
                                broadcast),
                        row(
                                Texts.of("as many as", "soft"),
                                pixels,
                                of,
                                Texts.of("pixels need, whole pixels only", "soft"),
                                querierDies,
                                Buttons.action("Show it", "load-show", this::work),
                                back("load-leave", "Back to the universes")),
                        scroll);
        work();
    }

    /** Puts in as many universes as the pixels need. */
    private void count() {
        String typed = pixels.getText().strip();
        if (typed.isEmpty()) {
            return;
        }
        try {
            PixelSplit.Rules rules = PixelSplit.Rules.whole(of.getValue().length(), 1);
            PixelSplit split = PixelSplit.of(PixelSplit.evenly(Integer.parseInt(typed), 1), rules);
            List<PixelSplit.Run> runs = split.outputs().get(0).universes();
            universes.setText(String.valueOf(runs.size()));
            document.tell(split.pixels() + " " + of.getValue() + " pixels need " + runs.size() + " universes of "
                    + rules.mostInUniverse() + " pixels; the last has "
                    + runs.get(runs.size() - 1).pixels() + ".");
            work();
        } catch (IllegalArgumentException e) {
            document.tell(
                    e instanceof NumberFormatException
                            ? "\"" + typed + "\" is no number of pixels."
                            : String.valueOf(e.getMessage()));
        }
    }

    private void work() {
        Report report = document.reportProperty().get();
        String typed = universes.getText().strip();
        if (!typed.matches("\\d{1,5}")) {
            document.tell("\"" + typed + "\" is no number of universes.");
            return;
        }
        if (report == null) {
            return;
        }
        int more = Integer.parseInt(typed);
        Protocol by = Protocol.SACN.title().equals(protocol.getValue()) ? Protocol.SACN : Protocol.ARTNET;
        Delivery delivery =
                broadcast.isSelected() ? Delivery.BROADCAST : by == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
        Optional<Load.WhatIf> whatIf = document.plan().applications().stream()
                .filter(a -> (more > 0 || querierDies.isSelected()) && a.name().equals(from.getValue()))
                .findFirst()
                .map(a -> new Load.WhatIf(more, a.id(), by, delivery, querierDies.isSelected()));
        document.derive(
                report, r -> whatIf.isEmpty() ? r.load() : Load.of(r.plan(), whatIf), load -> show(report, load, by));
    }

    private void show(Report report, Load load, Protocol by) {
        lines.getChildren().clear();
        int room = load.headroom(by, 44);
        lines.getChildren()
                .add(Texts.wrapped(
                        load.busiest()
                                        .map(b -> "The busiest is the "
                                                + report.plan().index().name(b.adapter()) + " with "
                                                + percent(b.part()) + " of " + Numbers.plain(b.speed() / 1e6)
                                                + " Mbit/s. ")
                                        .orElse("Nothing is sent. ")
                                + (room > 0
                                        ? "There is room for " + Counted.of(room, "more universe") + " of " + by.title()
                                                + " at 44 a second before 70 %."
                                        : "There is no room below 70 %."),
                        room > 0 ? "passes" : "at-risk"));
        GridPane grid = new GridPane();
        grid.setId("load-table");
        grid.setVgap(3);
        for (double width : COLUMNS) {
            grid.getColumnConstraints().add(new ColumnConstraints(width));
        }
        List<javafx.scene.Node> heads = new ArrayList<>();
        for (String head : List.of("Adapter", "out /s", "Mbit/s", "in /s", "Mbit/s", "members", "   of its cable")) {
            Label heading = Texts.heading(head);
            if (!heads.isEmpty() && !head.startsWith(" ")) {
                right(heading);
            }
            heads.add(heading);
        }
        grid.addRow(0, heads.toArray(javafx.scene.Node[]::new));
        int line = 1;
        for (Load.Link link : load.links()) {
            grid.addRow(
                    line++,
                    Texts.of(report.plan().index().name(link.adapter())),
                    number("%.0f", link.out().packets()),
                    number("%.2f", link.out().bits() / 1e6),
                    number("%.0f", link.in().packets()),
                    number("%.2f", link.in().bits() / 1e6),
                    number("%.2f", link.meant().bits() / 1e6),
                    bar(link.part()));
        }
        lines.getChildren().add(grid);
        load.air()
                .forEach(a -> lines.getChildren()
                        .add(Texts.wrapped(String.format(
                                Locale.ROOT,
                                "Wi-Fi of %s: %.0f packets a second of multicast and broadcast take %.0f %% of the airtime at 1 Mbit/s, %.0f %% at 6.",
                                report.plan().index().name(a.segment()),
                                a.packets(),
                                100 * Airtime.part(Protocol.SACN, a.packets(), Airtime.SLOWEST_RATE),
                                100 * Airtime.part(Protocol.SACN, a.packets(), Airtime.SLOWEST_RATE_5_GHZ)))));
        lines.getChildren()
                .add(Texts.wrapped(
                        groups(report, load)
                                + " Under \"members\" stands what would arrive where every switch passes multicast to its"
                                + " members only. Levels of 512 slots, gaps between packets counted; a cable of which"
                                + " whose speed is not specified counts as 100 Mbit/s.",
                        "soft",
                        "small"));
    }

    private static String groups(Report report, Load load) {
        List<String> sentences = new ArrayList<>();
        load.groups()
                .forEach((segment, what) -> sentences.add("Multicast on "
                        + report.plan().index().name(segment)
                        + switch (what) {
                            case FLOOD -> " go to every cable.";
                            case MEMBERS -> " go to their members only, as its switches snoop and somebody asks.";
                            case STOP ->
                                " stop " + SwitchFeatures.GROUP_SECONDS
                                        + " s after the querier failed: nothing arrives any more.";
                        }));
        return sentences.isEmpty()
                ? "No switch is said to snoop, so multicast goes to every cable of its segment."
                : String.join(" ", sentences);
    }

    private static String percent(double part) {
        return String.format(Locale.ROOT, "%.1f %%", part * 100);
    }

    private static javafx.scene.Node number(String format, double value) {
        return right(Texts.mono(String.format(Locale.ROOT, format, value), value == 0 ? "soft" : "label"));
    }

    /** A number under its heading, both at the right edge of their column. */
    private static Label right(Label label) {
        label.setMinWidth(NUMBER);
        label.setMaxWidth(NUMBER);
        label.setAlignment(Pos.CENTER_RIGHT);
        return label;
    }

    private static HBox bar(double part) {
        Region full = new Region();
        double width = Math.max(1, Math.min(1, part) * BAR);
        full.setMinSize(width, 9);
        full.setMaxSize(width, 9);
        full.getStyleClass().add(part > Load.MOST ? "load-much" : "load-bar");
        HBox bar = new HBox(6, full, Texts.mono(percent(part), "small", part > Load.MOST ? "at-risk" : "soft"));
        bar.setPadding(new javafx.geometry.Insets(0, 0, 0, 12));
        bar.setAlignment(Pos.CENTER_LEFT);
        return bar;
    }
}
