package zentrel.app.flow;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import zentrel.app.flow.FlowModel.Sender;
import zentrel.app.flow.FlowModel.Taker;
import zentrel.app.look.Hint;
import zentrel.app.look.Texts;
import zentrel.plan.Id;
import zentrel.text.Counted;

/** The cards of the flow at both sides, and what lights beside those that take. */
final class FlowCards {
    /** How wide a letter is about; a little more than most are. */
    private static final double LETTER = 7;

    private static final double SMALL_LETTER = 5.7;

    /** How wide a letter of an address is. */
    static final double MONO_LETTER = 6.7;

    /** How far the second line of a card stands below the first. */
    private static final double SECOND_LINE = 16;

    /** Cards that are wider than this name all addresses and the universes. */
    private static final double WIDE = 200;

    private final FlowColumns columns;
    private final FlowPlaces places;
    private final FlowDrawing.Stage stage;
    private final boolean marksChosen;
    private final Group senders;
    private final Group takers;
    private final Group lights;
    private final Group ticks;

    /** @param marksChosen whether what is selected is marked */
    FlowCards(
            FlowColumns columns,
            FlowPlaces places,
            FlowDrawing.Stage stage,
            boolean marksChosen,
            Group senders,
            Group takers,
            Group lights,
            Group ticks) {
        this.columns = columns;
        this.places = places;
        this.stage = stage;
        this.marksChosen = marksChosen;
        this.senders = senders;
        this.takers = takers;
        this.lights = lights;
        this.ticks = ticks;
    }

    private boolean isWide() {
        return columns.cards() > WIDE;
    }

    /** The card of who sends, three lines high. */
    void sender(FlowItem item, Sender s) {
        String addresses = with(s.address(), s.others(), ", ");
        String line = with(s.line(), s.universes(), " · ");
        double room = columns.cards() - 6;
        VBox card = new VBox(
                -1,
                Texts.drawn(fitted(s.name(), room, LETTER), "strong"),
                Texts.drawn(fitted(isWide() ? addresses : s.address(), room, MONO_LETTER), "mono", "soft", "small"),
                Texts.drawn(fitted(isWide() ? line : s.line(), room, SMALL_LETTER), "soft", "small"));
        Hint.on(card, () -> tip(s.name(), addresses, line));
        item.add(senders, card);
        place(
                item,
                card,
                s.id(),
                s.name(),
                columns.sends(),
                places.ofSender(s.id()),
                FlowPlaces.SENDER_ROW,
                s.isFolded());
        card.setAccessibleText(s.name() + ", " + s.address() + ", " + s.line());
    }

    /** The card of who takes, and what lights by it. */
    void taker(FlowItem item, Taker t) {
        double y = places.ofTaker(t.id());
        String addresses = with(t.address(), t.others(), ", ");
        String line = with(t.line(), t.universes(), " · ");
        boolean apart = isWide() && places.isRoomy() && !t.universes().isEmpty();
        double room = columns.cards() - 6;
        String address = fitted(isWide() ? addresses : t.address(), room, MONO_LETTER);
        double left = room - address.length() * MONO_LETTER - 8;
        VBox card = new VBox(
                -1,
                Texts.drawn(fitted(t.name(), room, LETTER), "strong"),
                new HBox(
                        8,
                        Texts.drawn(address, "mono", "soft", "small"),
                        Texts.drawn(
                                isWide() ? fitted(apart ? t.line() : line, left, SMALL_LETTER) : t.line(),
                                "soft",
                                "small")));
        if (apart) {
            card.getChildren().add(Texts.drawn(fitted(t.universes(), room, SMALL_LETTER), "soft", "small"));
        }
        Hint.on(card, () -> tip(t.name(), addresses, line));
        item.add(takers, card);
        place(item, card, t.id(), t.name(), columns.takes(), y, places.row(), t.isFolded());
        card.setAccessibleText(t.name() + ", " + t.address() + ", " + t.line());
        lights(item, t, y);
    }

    private static String with(String first, String more, String between) {
        return first.isEmpty() || more.isEmpty() ? first + more : first + between + more;
    }

    private static String tip(String... lines) {
        return String.join(
                "\n", List.of(lines).stream().filter(l -> !l.isEmpty()).toList());
    }

    /** As much of a text as there is room for. */
    private static String fitted(String text, double room, double letter) {
        int most = Math.max(1, (int) (room / letter));
        return text.length() <= most ? text : text.substring(0, most - 1) + "…";
    }

    private void place(
            FlowItem item, VBox card, Id<?> id, String name, double x, double y, double row, boolean folded) {
        double width = columns.cards();
        card.getStyleClass().add("card");
        card.setPrefWidth(width);
        card.setMaxWidth(width);
        card.setClip(new Rectangle(width + 30, row));
        card.setLayoutX(x);
        card.setLayoutY(y);
        card.setFocusTraversable(true);
        card.setId("card-" + id.value());
        card.focusedProperty().addListener((o, was, is) -> {
            if (is) {
                stage.reveal(y, row);
            }
        });
        card.setOnMouseClicked(e -> chosen(id, name, folded));
        card.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                chosen(id, name, folded);
                e.consume();
            } else if (e.getCode().isArrowKey()) {
                stage.step(id, e.getCode());
                e.consume();
            }
        });
        if (folded) {
            // sheets under the card, as many boxes lie in it
            line(item.rule(), x + 4, y + row - 1, x + width - 4);
            line(item.rule(), x + 8, y + row + 2, x + width);
        }
        line(item.rule(), x, y + row - 4, x + width - 8);
        if (marksChosen && !folded && stage.isChosen(id)) {
            ticks(item, x - 4, y - 2, width + 4, row);
        }
    }

    /** A group opens; a box is chosen. */
    private void chosen(Id<?> id, String name, boolean folded) {
        if (folded) {
            stage.unfold(name);
        } else {
            stage.choose(id);
        }
    }

    private void ticks(FlowItem item, double x, double y, double w, double h) {
        double s = 8;
        for (Polyline tick : new Polyline[] {
            new Polyline(x, y + s, x, y, x + s, y),
            new Polyline(x + w - s, y, x + w, y, x + w, y + s),
            new Polyline(x, y + h - s, x, y + h, x + s, y + h),
            new Polyline(x + w - s, y + h, x + w, y + h, x + w, y + h - s)
        }) {
            tick.getStyleClass().add("tick");
            tick.setMouseTransparent(true);
            item.add(ticks, tick);
        }
    }

    private void lights(FlowItem item, Taker t, double y) {
        double x = columns.lights() + 4;
        String what = fitted(t.lights(), columns.lightsWidth() - 4, LETTER);
        List<Node> drawn = new ArrayList<>();
        Text place = Texts.drawn(what, t.fixtures() == 0 ? "soft" : "ink");
        if (!what.equals(t.lights())) {
            Hint.on(place, t::lights);
        }
        drawn.add(place);
        place.setLayoutX(x);
        place.setLayoutY(y);
        Text count = Texts.drawn(count(t), t.dark() > 0 ? "broken" : "soft", "small");
        count.setLayoutX(x);
        count.setLayoutY(y + SECOND_LINE);
        drawn.add(count);
        item.add(lights, drawn.toArray(Node[]::new));
        if (t.fixtures() > 0) {
            line(
                    t.dark() == t.fixtures() ? item.rule() : item.axis(),
                    columns.takes() + columns.cards(),
                    y + 10,
                    columns.lights() - 4);
        }
    }

    private static String count(Taker t) {
        if (t.fixtures() == 0) {
            return "";
        }
        String dark = t.dark() == 0 ? "" : t.dark() == t.fixtures() ? ", all dark" : ", " + t.dark() + " dark";
        return Counted.of(t.fixtures(), "fixture") + dark;
    }

    private static void line(List<PathElement> path, double from, double y, double to) {
        path.add(new MoveTo(from, y));
        path.add(new LineTo(to, y));
    }
}
