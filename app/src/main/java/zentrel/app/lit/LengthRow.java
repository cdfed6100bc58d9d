package zentrel.app.lit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.gear.GearEdit;
import zentrel.gear.PlaceEdits;
import zentrel.lit.Vector;
import zentrel.plan.GroundPicture;
import zentrel.plan.Id;
import zentrel.plan.KnownLength;
import zentrel.plan.Position;

/** Scales a picture: two clicks on it, then how far they are apart. */
final class LengthRow extends HBox {
    private final OpenDocument document;
    private final LitCanvas canvas;
    private final Label text = Texts.of("", "soft");
    private final TextField metres = new TextField();
    private final List<Vector> ends = new ArrayList<>();
    private Optional<Id<GroundPicture>> picture = Optional.empty();

    LengthRow(OpenDocument document, LitCanvas canvas) {
        super(8);
        this.document = document;
        this.canvas = canvas;
        metres.setId("lit-metres");
        metres.setPrefColumnCount(6);
        metres.setAccessibleText("How many metres the two points are apart");
        metres.setOnAction(e -> set());
        setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        text,
                        metres,
                        Buttons.action("Set", "lit-length-set", this::set),
                        Buttons.quiet("Cancel", "lit-length-cancel", this::end));
        end();
    }

    /** Asks for the two ends. */
    void begin(GroundPicture of) {
        picture = Optional.of(of.id());
        ends.clear();
        canvas.measure(List.of());
        setManaged(true);
        setVisible(true);
        tell();
    }

    boolean isOpen() {
        return picture.isPresent();
    }

    /** Whether a click is one of the ends. */
    boolean wantsPoint() {
        return picture.isPresent() && ends.size() < 2;
    }

    void point(Vector at) {
        ends.add(at);
        canvas.measure(List.copyOf(ends));
        tell();
        if (ends.size() == 2) {
            metres.setText(
                    Position.plain(Math.round(ends.get(1).minus(ends.get(0)).length() * 10) / 10.0));
            metres.selectAll();
            metres.requestFocus();
        }
    }

    private void tell() {
        text.setText(
                switch (ends.size()) {
                    case 0 -> "Click one end of a length that you know, on the picture.";
                    case 1 -> "Click its other end.";
                    default -> "Metres from one to the other:";
                });
        metres.setDisable(ends.size() < 2);
    }

    private void set() {
        Optional<GroundPicture> of = picture.flatMap(document.plan().index()::find);
        if (of.isEmpty() || ends.size() < 2) {
            return;
        }
        GroundPicture g = of.get();
        double perPixel = g.known().metresPerPixel();
        String said = metres.getText().strip().replace(',', '.').replaceFirst("\\s*m$", "");
        document.make(
                () -> {
                    if (!said.matches("\\d{1,6}(\\.\\d{1,4})?")) {
                        throw new IllegalArgumentException(
                                "\"" + metres.getText() + "\" is no length; write metres, such as 42.");
                    }
                    return new GearEdit(
                            PlaceEdits.known(
                                    g,
                                    new KnownLength(
                                            g.across(
                                                            ends.get(0).x(),
                                                            ends.get(0).y())
                                                    / perPixel,
                                            g.picture().height()
                                                    - g.up(
                                                                    ends.get(0).x(),
                                                                    ends.get(0).y())
                                                            / perPixel,
                                            g.across(
                                                            ends.get(1).x(),
                                                            ends.get(1).y())
                                                    / perPixel,
                                            g.picture().height()
                                                    - g.up(
                                                                    ends.get(1).x(),
                                                                    ends.get(1).y())
                                                            / perPixel,
                                            Double.parseDouble(said))),
                            List.of());
                },
                made -> end());
    }

    /** Asks for nothing any more. */
    void end() {
        picture = Optional.empty();
        ends.clear();
        canvas.measure(List.of());
        setManaged(false);
        setVisible(false);
    }
}
