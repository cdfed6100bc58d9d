package zentrel.app.pixels;

import java.io.File;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.app.pixels.PixelSight.Wire;
import zentrel.app.pixels.PixelsPage.Showing;
import zentrel.app.shell.LiveNet;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.SeenNow;
import zentrel.gear.PixelEdits;
import zentrel.live.UniverseSeen;
import zentrel.pixel.CornerTest;
import zentrel.pixel.PixelLook;
import zentrel.plan.Edit;
import zentrel.plan.PixelForm;
import zentrel.plan.PixelRun;
import zentrel.text.Counted;

/** Below the outputs: what the pixels show now, from where, and what somebody sees of it. Nothing runs while it is not in sight. */
final class LookBar extends VBox {
    private static final long FRAME_NANOS = 25_000_000;

    private final OpenDocument document;
    private final SeenNow seen;
    private final PixelsPage page;
    private final Label source = Texts.wrapped("", "soft");
    private final ComboBox<PixelLook> look = new ComboBox<>();
    private final TextField beats = new TextField("10");
    private final Button picture = Buttons.quiet("Picture …", "look-picture", this::choosePicture);
    private final Button send = Buttons.action("Send it", "look-send", this::sendOrStop);
    private final FlowPane row = new FlowPane(8, 4);
    private final FlowPane question = new FlowPane(6, 4);
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            if (now - drawn >= FRAME_NANOS) {
                drawn = now;
                frame(now);
            }
        }
    };
    private PixelSight sight = PixelSight.NONE;
    private List<PixelRun> chosen = List.of();
    private PixelLook.Pictures pictures = PixelLook.Pictures.NONE;
    private Showing showing = Showing.UNIVERSES;
    private byte[] levels = new byte[0];
    private int[] colours = new int[0];
    private long drawn;
    private long began;
    private boolean asked;
    private String sent = "";

    LookBar(PageContext context, PixelsPage page) {
        super(4);
        document = context.document();
        seen = context.seen();
        this.page = page;
        look.getItems().setAll(PixelLook.values());
        look.setConverter(Named.by(PixelLook::title));
        look.setValue(PixelLook.CORNERS);
        look.setId("look-kind");
        look.setAccessibleText("The look");
        look.valueProperty().addListener(o -> {
            changed();
            sendAnew();
        });
        beats.setId("look-beats");
        beats.setPrefColumnCount(3);
        beats.getStyleClass().add("mono");
        beats.setAccessibleText("Steps a second");
        beats.setOnAction(e -> sendAnew());
        beats.textProperty().addListener(o -> draw());
        row.setAlignment(Pos.CENTER_LEFT);
        question.setAlignment(Pos.CENTER_LEFT);
        source.setId("look-source");
        getChildren().addAll(row, question);
        showing(Showing.UNIVERSES);
    }

    /** What the page colours its pixels by from now on. */
    void showing(Showing now) {
        showing = now;
        boolean any = now != Showing.UNIVERSES;
        setVisible(any);
        setManaged(any);
        row.getChildren().clear();
        if (now == Showing.LOOK) {
            row.getChildren().addAll(look, Texts.of("steps a second", "soft", "small"), beats, picture, send, source);
        } else {
            row.getChildren().add(source);
        }
        began = 0;
        if (any) {
            timer.start();
        } else {
            timer.stop();
        }
        changed();
    }

    /** Nothing runs any more. */
    void rest() {
        timer.stop();
    }

    void show(PixelSight now, List<PixelRun> runs) {
        sight = now;
        chosen = runs;
        levels = now.map().levels();
        changed();
    }

    private void changed() {
        picture.setVisible(look.getValue() == PixelLook.PICTURE);
        picture.setManaged(look.getValue() == PixelLook.PICTURE);
        ask();
        draw();
    }

    private Optional<LiveNet> net() {
        return seen.live().filter(n -> n.place().isPresent());
    }

    /** Draws once more, with whatever is there. */
    void draw() {
        drawn = 0;
        if (showing == Showing.LOOK) {
            frame(System.nanoTime());
        }
    }

    private void frame(long now) {
        if (showing == Showing.ARRIVING) {
            arriving();
        } else if (showing == Showing.LOOK) {
            began = began == 0 ? now : began;
            look.getValue().fill(sight.map(), levels, (now - began) / 1e9, run());
            paint();
            tellSending();
        }
    }

    private void paint() {
        colours = PixelHues.byLevels(sight.map(), levels, colours);
        page.paint(colours);
    }

    private void arriving() {
        Optional<LiveNet> net = net();
        if (net.isEmpty()) {
            say("Nothing is listened to. Open the Bench and choose an adapter, loopback or a rehearsal; what arrives"
                    + " there is shown here.");
            java.util.Arrays.fill(levels, (byte) 0);
            paint();
        } else if (!asked) {
            asked = true;
            net.get().heard(heard -> {
                asked = false;
                arrived(net.get(), heard);
            });
        }
    }

    private void arrived(LiveNet net, List<UniverseSeen> heard) {
        Map<Wire, UniverseSeen> by = new HashMap<>();
        heard.forEach(u -> by.put(new Wire(u.protocol(), u.number()), u));
        int found = PixelHues.fill(sight.wires(), by, levels);
        if (showing == Showing.ARRIVING) {
            paint();
            int all = sight.wires().size();
            say("Listening: " + net.place().orElse("") + ". "
                    + (found == all
                            ? "All universes of these pixels are heard."
                            : (found == 0 ? "None" : String.valueOf(found)) + " of " + Counted.of(all, "universe")
                                    + " is heard; the rest stays dark."));
        }
    }

    private void say(String text) {
        if (!text.equals(source.getText())) {
            source.setText(text);
        }
    }

    // --- a look ---

    private PixelLook.Run run() {
        double each;
        try {
            each = Double.parseDouble(beats.getText().strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            each = 0; // stands still until there is a number
        }
        return new PixelLook.Run(Math.max(0, Math.min(40, each)), 1, pictures);
    }

    private void tellSending() {
        Optional<String> sending = net().flatMap(LiveNet::sending);
        boolean armed = net().map(LiveNet::isArmed).orElse(false);
        send.setText(sending.isPresent() ? "Stop sending" : "Send it");
        send.setDisable(sending.isEmpty() && !armed);
        say(sending.map(s -> "Sending " + s + ".")
                .orElse(
                        armed
                                ? "Only shown here. "
                                        + net().flatMap(LiveNet::place).orElse("") + " is armed."
                                : "Only shown here; to send it, choose and arm an adapter on the Bench."));
    }

    private void sendOrStop() {
        net().ifPresent(net -> {
            if (net.sending().isPresent()) {
                net.stopSending();
                return;
            }
            send(net);
        });
    }

    /** What leaves is what is shown: another look takes the place of the one that this bar sends. */
    private void sendAnew() {
        net().filter(n -> n.sending().filter(w -> w.equals(sent)).isPresent()).ifPresent(this::send);
    }

    private void send(LiveNet net) {
        LookPainter painter = new LookPainter(sight, look.getValue(), run());
        if (painter.jobs().isEmpty()) {
            document.tell("No port of these pixels is set to a universe; spread them first.");
            return;
        }
        sent = look.getValue().title().toLowerCase(Locale.ROOT) + " on "
                + Counted.of(sight.wires().size(), "universe") + " of pixels";
        net.send(painter.jobs(), sent, problem -> problem.ifPresent(document::tell));
    }

    private void choosePicture() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("A picture, or several as the frames of a video");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Pictures", "*.png", "*.jpg", "*.jpeg", "*.gif"));
        List<File> files = chooser.showOpenMultipleDialog(getScene().getWindow());
        if (files != null && !files.isEmpty()) {
            document.work(
                    () -> PictureFrames.read(files.stream().map(File::toPath).toList()), read -> {
                        pictures = read;
                        draw();
                        sendAnew();
                    });
        }
    }

    // --- what somebody sees ---

    private void ask() {
        question.getChildren().clear();
        boolean grid = chosen.size() == 1 && chosen.get(0).shape().form() == PixelForm.GRID;
        boolean asks = showing == Showing.LOOK
                && (look.getValue() == PixelLook.CORNERS
                        || look.getValue() == PixelLook.FIRST_LINE
                        || look.getValue() == PixelLook.SECOND_LINE);
        if (asks && !grid) {
            question.getChildren().add(Texts.of("Choose one panel, and say what you see of it.", "soft", "small"));
        } else if (asks) {
            PixelRun run = chosen.get(0);
            switch (look.getValue()) {
                case CORNERS -> corners(run);
                case FIRST_LINE ->
                    yesOrNo(
                            "Does the red of " + run.name() + " fill one whole edge, left or right to the other?",
                            run.withWiring(run.wiring().withByColumns(false)),
                            run.withWiring(run.wiring().withByColumns(true)));
                default ->
                    yesOrNo(
                            "Is the white of " + run.name() + " beside the end of the red row, not beside its start?",
                            run.withWiring(run.wiring().withSerpentine(true)),
                            run.withWiring(run.wiring().withSerpentine(false)));
            }
        }
    }

    private void corners(PixelRun run) {
        question.getChildren().add(Texts.of("Which of these is " + run.name() + ", as you see it?", "soft", "small"));
        CornerTest.Seen planned = CornerTest.seen(run);
        for (CornerTest.Seen each : CornerTest.all()) {
            SeenButton button = new SeenButton(
                    each,
                    () -> document.apply(PixelEdits.placed(
                            "Hang " + run.name() + " as it is seen: " + each.words(),
                            run,
                            CornerTest.placing(run, each))));
            if (each.equals(planned)) {
                button.getStyleClass().add("chosen");
            }
            question.getChildren().add(button);
        }
    }

    private void yesOrNo(String text, PixelRun yes, PixelRun no) {
        question.getChildren()
                .addAll(Texts.of(text, "soft", "small"), answer("Yes", "seen-yes", yes), answer("No", "seen-no", no));
    }

    private Node answer(String text, String id, PixelRun run) {
        return Buttons.quiet(
                text,
                id,
                () -> document.apply(new Edit(
                        "Wire " + run.name() + " as it is seen",
                        p -> p.with(run.id(), r -> r.withWiring(run.wiring())))));
    }
}
