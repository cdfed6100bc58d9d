package zentrel.app.cues;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Buttons;
import zentrel.app.look.Clip;
import zentrel.app.look.Daemons;
import zentrel.app.look.Texts;
import zentrel.app.shell.SeenNow;
import zentrel.control.Cue;
import zentrel.control.CueTable;
import zentrel.control.MessageSet;
import zentrel.control.MessageTemplate;
import zentrel.ipv4.Endpoint;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.CueDialogue;
import zentrel.standin.StandinSite;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;

/** Where one of the two cue lists comes from: a table, what was copied, or a desk that tells it by OSC. */
final class CueSide extends VBox implements AutoCloseable {
    private static final int EVERY_MILLIS = 500;
    private static final int ADDRESS = 150;
    private static final CueTable NONE = new CueTable(List.of(), Set.of(), List.of());

    private final SeenNow net;
    private final Consumer<String> say;
    private final Runnable changed;
    private final Label source = Texts.wrapped("", "soft", "small");
    private final TextField desk = new TextField();
    private final ScheduledExecutorService worker =
            Executors.newSingleThreadScheduledExecutor(r -> Daemons.of(r, "cues"));
    private CueTable table = NONE;
    private Optional<String> running = Optional.empty();
    private @Nullable CueDialogue dialogue;
    private @Nullable ScheduledFuture<?> following;

    /**
     * Nothing yet.
     *
     * @param say tells a sentence that stays to be read
     * @param changed told when there is another list, or another cue runs
     */
    CueSide(String title, String id, SeenNow net, Consumer<String> say, Runnable changed) {
        super(4);
        this.net = net;
        this.say = say;
        this.changed = changed;
        desk.setPromptText("10.42.1.1:24510");
        desk.setId("cues-desk-" + id);
        desk.setPrefWidth(ADDRESS);
        desk.setAccessibleText(title + ": address and port of a desk");
        desk.setOnAction(e -> ask());
        HBox ways = new HBox(
                8,
                Texts.of(title, "strong"),
                Buttons.quiet("Read a table …", "cues-read-" + id, this::choose),
                Buttons.quiet("Paste", "cues-paste-" + id, this::paste),
                desk,
                Buttons.quiet("Ask", "cues-ask-" + id, this::ask));
        ways.setAlignment(Pos.CENTER_LEFT);
        source.setText("Nothing read yet.");
        getChildren().addAll(ways, source);
    }

    CueTable table() {
        return table;
    }

    /** The cue that runs, as list/number, where a desk tells it. */
    Optional<String> running() {
        return running;
    }

    boolean isRead() {
        return !table.equals(NONE);
    }

    /** Whether a desk is followed that can be told things. */
    boolean isDesk() {
        return dialogue != null;
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Read a cue list");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("Tables", "*.csv", "*.tsv", "*.txt", "*.xlsx"),
                        new FileChooser.ExtensionFilter("All files", "*"));
        File file = chooser.showOpenDialog(getScene().getWindow());
        if (file != null) {
            read(file.toPath());
        }
    }

    /** Reads a table; what is in it is read in the background. */
    void read(Path file) {
        worker.execute(() -> {
            String said;
            CueTable read = NONE;
            try {
                read = CueTable.of(TextTable.read(file));
                said = said(String.valueOf(file.getFileName()), read);
            } catch (IOException e) {
                said = file.getFileName() + " cannot be read: " + e.getMessage();
            } catch (IllegalArgumentException e) {
                said = file.getFileName() + ": " + e.getMessage();
            }
            show(read, said);
        });
    }

    private void paste() {
        String text = Clip.text();
        worker.execute(() -> {
            String said;
            CueTable read = NONE;
            try {
                read = CueTable.of(TextTable.parse(text));
                said = said("pasted", read);
            } catch (IllegalArgumentException e) {
                said = "What was copied: " + e.getMessage();
            }
            show(read, said);
        });
    }

    private static String said(String what, CueTable read) {
        String text = what + ": " + Counted.of(read.cues().size(), "cue");
        return read.leftOut().isEmpty()
                ? text
                : text + ", " + read.leftOut().size() + " left out. "
                        + String.join(
                                " ",
                                LeftOut.lines(read.leftOut()
                                        .subList(0, Math.min(2, read.leftOut().size()))));
    }

    /** What is read takes the place of what was; what could not be read leaves that as it was. */
    private void show(CueTable read, String said) {
        Platform.runLater(() -> {
            source.setText(said);
            if (!read.equals(NONE)) {
                stopFollowing();
                running = Optional.empty();
                table = read;
                changed.run();
            }
        });
    }

    // --- a desk ---

    private void ask() {
        Optional<StandinSite> site = net.site();
        try {
            Endpoint asked = Endpoint.parse(desk.getText().strip());
            if (site.isPresent()) {
                begin(site.get(), asked);
            } else {
                source.setText("No net is looked at. Choose one on the Bench and let questions leave, then ask again.");
            }
        } catch (IllegalArgumentException e) {
            source.setText(String.valueOf(e.getMessage()));
        }
    }

    private void begin(StandinSite site, Endpoint asked) {
        Ipv4Address address = asked.address();
        stopFollowing();
        CueDialogue begun = new CueDialogue(site, address, asked.port(), MessageSet.EXAMPLE);
        dialogue = begun;
        source.setText("asking " + address + " …");
        following = worker.scheduleWithFixedDelay(() -> follow(begun, address), 0, EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** On the worker: starts at first, then looks what came. */
    private void follow(CueDialogue of, Ipv4Address address) {
        try {
            if (!of.isStarted()) {
                of.start(0);
                of.askCues();
            }
            CueDialogue.State state = of.state();
            Platform.runLater(() -> seen(of, address, state));
        } catch (IOException e) {
            Platform.runLater(() -> source.setText(address + " cannot be asked any more: " + e.getMessage()));
        }
    }

    private void seen(CueDialogue of, Ipv4Address address, CueDialogue.State state) {
        if (dialogue != of) {
            return;
        }
        source.setText(
                !state.there()
                        ? address
                                + (state.heard() == 0
                                        ? " does not answer. Is it asked by the right port, and may"
                                                + " questions leave (Bench)?"
                                        : " is not heard any more, since " + CueDialogue.lostSeconds() + " s or more.")
                        : address + ", live: " + Counted.of(state.cues().size(), "cue")
                                + (state.complete() ? "" : ", " + state.missing() + " still missing")
                                + (state.notRead() > 0 ? ", " + state.notRead() + " messages not understood" : ""));
        List<Cue> before = table.cues();
        boolean moved = !running.equals(state.running());
        running = state.running();
        if ((state.complete() && !state.cues().equals(before)) || moved) {
            if (state.complete()) {
                table = new CueTable(state.cues(), Set.of(CueTable.Column.values()), List.of());
            }
            changed.run();
        }
    }

    private void stopFollowing() {
        Optional.ofNullable(following).ifPresent(f -> f.cancel(false));
        Optional.ofNullable(dialogue).ifPresent(CueDialogue::close);
        following = null;
        dialogue = null;
    }

    /** Tells the desk messages, then asks it for its list anew; what became of it is told. */
    void tell(List<MessageTemplate.Filled> messages) {
        CueDialogue of = dialogue;
        if (of == null) {
            return;
        }
        worker.execute(() -> {
            String said;
            try {
                int left = 0;
                for (MessageTemplate.Filled each : messages) {
                    left += of.tell(each) ? 1 : 0;
                }
                said = left == messages.size()
                        ? Counted.of(left, "message") + " sent."
                        : "Held: output is not armed. Arm the adapter on the Bench.";
                of.askCues();
            } catch (IOException e) {
                said = "Not sent: " + e.getMessage();
            }
            String text = said;
            Platform.runLater(() -> say.accept(text));
        });
    }

    @Override
    public void close() {
        stopFollowing();
        worker.shutdownNow();
    }
}
