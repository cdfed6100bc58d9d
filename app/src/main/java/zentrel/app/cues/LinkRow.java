package zentrel.app.cues;

import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.path.Verdict;
import zentrel.plan.Id;

/** A link as its two sockets face each other: straight where both ends agree, broken where they do not. */
final class LinkRow extends Pane {
    static final double HEIGHT = 58;
    private static final double END = 176;
    private static final double EDGE = 10;
    private static final double PORT = 84;
    private static final double SOCKET = 9;
    private static final double LINE = 27;

    /** How far down the receiver's socket stands where the two do not meet. */
    private static final double APART = 12;

    LinkRow(LinkFace face, boolean chosen, double across, Consumer<Id<?>> choose) {
        getStyleClass().add("link-row");
        if (chosen) {
            getStyleClass().add("chosen");
        }
        setPrefSize(across, HEIGHT);
        setMinHeight(HEIGHT);
        boolean meets = face.listens().isPresent() && face.listens().getAsInt() == face.sendsTo();
        String style = Mark.styleOf(face.verdict());
        double left = EDGE + END + PORT;
        double right = across - EDGE - END - PORT;
        double down = meets ? LINE : LINE + APART;
        end(face.sender(), face.senderAddress(), EDGE);
        end(face.receiver(), face.receiverAddress(), across - EDGE - END);
        port("to " + face.sendsTo(), EDGE + END, LINE, "from-sender");
        port(
                face.listens().isPresent() ? String.valueOf(face.listens().getAsInt()) : "no OSC",
                right,
                down,
                "at-receiver");
        socket(left, LINE, style);
        socket(right - SOCKET, down, style);
        line(left + SOCKET, right - SOCKET, LINE, down, face.verdict(), style);
        double room = right - left - 2 * SOCKET;
        middle(Texts.mono(face.link().message(), "small"), left + SOCKET, LINE - 21, room);
        Label note = Texts.of(face.note().isEmpty() ? face.destination() : face.note(), "small");
        note.getStyleClass().add(face.note().isEmpty() ? "soft" : style);
        middle(note, left + SOCKET, down + 5, room);
        setFocusTraversable(true);
        setUserData(face.link().id());
        setAccessibleText(face.link().name() + ", " + face.sender() + " to " + face.receiver() + ", "
                + face.destination() + (face.note().isEmpty() ? "" : ": " + face.note()));
        setOnMouseClicked(e -> choose.accept(face.link().id()));
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                choose.accept(face.link().id());
                e.consume();
            }
        });
    }

    private void end(String name, String address, double x) {
        VBox box = new VBox(Texts.of(name, "strong"), Texts.mono(address, "soft", "small"));
        box.getStyleClass().add("link-end");
        box.setPrefSize(END, HEIGHT - 14);
        box.setMaxWidth(END);
        box.relocate(x, 5);
        getChildren().add(box);
    }

    private void port(String text, double x, double y, String style) {
        Label port = Texts.mono(text, "small", "link-port", style);
        port.setPrefSize(PORT, 20);
        port.relocate(x, y - 10);
        getChildren().add(port);
    }

    private void socket(double x, double y, String style) {
        Rectangle socket = new Rectangle(x, y - SOCKET / 2, SOCKET, SOCKET);
        socket.getStyleClass().addAll("link-socket", style);
        getChildren().add(socket);
    }

    private void line(double from, double to, double y, double toY, Verdict verdict, String style) {
        if (verdict != Verdict.BROKEN) {
            stroke(from, y, to, toY, style);
            return;
        }
        double gap = from + (to - from) * 0.5;
        stroke(from, y, gap - 12, y, style);
        stroke(gap + 12, toY, to, toY, style, "would");
        Mark mark = Mark.of(verdict);
        mark.relocate(gap - 9, (y + toY) / 2 - 7);
        getChildren().add(mark);
    }

    private void stroke(double x1, double y1, double x2, double y2, String... styles) {
        Line line = new Line(x1, y1, x2, y2);
        line.getStyleClass().add("link-line");
        line.getStyleClass().addAll(styles);
        getChildren().add(line);
    }

    private void middle(Label label, double x, double y, double room) {
        label.setPrefWidth(room - 12);
        label.setMaxWidth(room - 12);
        label.getStyleClass().add("link-middle");
        label.relocate(x + 6, y);
        getChildren().add(label);
    }
}
