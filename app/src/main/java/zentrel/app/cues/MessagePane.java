package zentrel.app.cues;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Daemons;
import zentrel.app.look.Texts;
import zentrel.app.shell.SeenNow;
import zentrel.control.MessageBatch;
import zentrel.control.MessageTemplate;
import zentrel.gear.LinkMessages;
import zentrel.plan.ControlLink;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.LinkMessage;
import zentrel.text.Counted;

/** The message of the chosen link: its parts filled in, its bytes, one trial, and as many as are wanted made of it. */
final class MessagePane extends HBox {
    private static final double FIELD = 150;
    private static final double LIST = 300;
    private static final long LARGEST = 8L * 1024 * 1024;

    private final OpenDocument document;
    private final SeenNow net;
    private final TextField template = new TextField();
    private final GridPane parts = new GridPane();
    private final Label wrong = Texts.wrapped("", "broken", "small");
    private final Label first = Texts.mono("", "small");
    private final VBox bytes = new VBox();
    private final Label result = Texts.wrapped("", "soft", "small");
    private final Label made = Texts.of("", "soft", "small");
    private final ListView<LinkMessage> messages = new ListView<>();
    private final List<TextField> fields = new ArrayList<>();
    private @Nullable ControlLink link;

    MessagePane(OpenDocument document, SeenNow net) {
        super(24);
        this.document = document;
        this.net = net;
        template.setId("cues-template");
        template.getStyleClass().add("mono");
        template.setAccessibleText("The message: its OSC address and what is sent after it");
        template.setOnAction(e -> changeTemplate());
        parts.setHgap(8);
        parts.setVgap(4);
        HBox doing = new HBox(
                10,
                Buttons.action("Send it once", "cues-try", this::trySend),
                Buttons.quiet("Make them", "cues-make", this::make),
                made);
        doing.setAlignment(Pos.CENTER_LEFT);
        VBox left = new VBox(
                7,
                Texts.of(
                        "The message; parts are written name:type, types are int, decimal, level, 0-1, percent, text,"
                                + " switch",
                        "soft",
                        "small"),
                template,
                parts,
                wrong,
                first,
                bytes,
                doing,
                result);
        HBox.setHgrow(left, Priority.ALWAYS);
        left.setMinWidth(0);
        messages.setId("cues-messages");
        messages.setAccessibleText("Messages of this link");
        messages.setPlaceholder(Texts.of("None yet: fill in the parts, then make them.", "soft", "small"));
        messages.setCellFactory(l -> new MessageCell());
        messages.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.DELETE) {
                remove();
            }
        });
        messages.setPrefWidth(LIST);
        messages.setMinWidth(LIST);
        VBox right = new VBox(
                7,
                Texts.of("Made of it, all to one destination", "strong"),
                messages,
                new HBox(
                        10,
                        Buttons.quiet("Send all", "cues-send-all", this::sendAll),
                        Buttons.quiet("Remove", "cues-remove", this::remove),
                        Buttons.quiet("Write …", "cues-write", this::chooseOut),
                        Buttons.quiet("Read …", "cues-read", this::chooseIn)));
        VBox.setVgrow(messages, Priority.ALWAYS);
        getChildren().addAll(left, right);
    }

    private final class MessageCell extends ListCell<LinkMessage> {
        MessageCell() {
            getStyleClass().add("pick");
        }

        @Override
        protected void updateItem(@Nullable LinkMessage item, boolean empty) {
            super.updateItem(item, empty);
            ControlLink of = link;
            setText(empty || item == null || of == null ? null : words(of, item));
        }
    }

    private static String words(ControlLink of, LinkMessage message) {
        String label = message.label().isEmpty() ? "" : message.label() + ": ";
        try {
            return label + of.template().fill(message.values());
        } catch (IllegalArgumentException e) {
            return label + "cannot be sent: " + e.getMessage();
        }
    }

    /** Shows a link; null for none. */
    void show(@Nullable ControlLink now) {
        boolean same = link != null && now != null && link.id().equals(now.id());
        boolean reads = same && link != null && now != null && link.message().equals(now.message());
        link = now;
        setVisible(now != null);
        if (now == null) {
            return;
        }
        if (!same) {
            result.setText("");
        }
        messages.getItems().setAll(now.messages());
        if (!template.isFocused() || !reads) {
            template.setText(now.message());
        }
        if (!reads) {
            parts(now);
        }
        filled();
    }

    private void parts(ControlLink of) {
        parts.getChildren().clear();
        fields.clear();
        int row = 0;
        for (MessageTemplate.Part part : partsOf(of)) {
            TextField field = new TextField(example(part));
            field.setId("cues-part-" + part.name());
            field.setPrefWidth(FIELD);
            field.setAccessibleText(part.name() + ", " + part.type().word());
            field.textProperty().addListener((o, was, is) -> filled());
            parts.add(Texts.mono(part.toString(), "soft", "small"), 0, row);
            parts.add(field, 1, row);
            parts.add(
                    Texts.of(row == 0 ? "one, several (3, 4 and 7.2), or a range (1-12)" : "", "soft", "small"),
                    2,
                    row++);
            fields.add(field);
        }
    }

    /** None where the message is none that can be sent, which is then said below. */
    private static List<MessageTemplate.Part> partsOf(ControlLink of) {
        try {
            return of.template().parts();
        } catch (IllegalArgumentException e) {
            return List.of();
        }
    }

    private static String example(MessageTemplate.Part part) {
        return switch (part.type()) {
            case INT, DECIMAL -> "1";
            case LEVEL, SHARE, PERCENT -> "75 %";
            case TEXT -> part.name();
            case SWITCH -> "on";
        };
    }

    /** What the fields make; empty where a value does not fit, which is then said. */
    private Optional<MessageBatch> batch(ControlLink of) {
        try {
            MessageBatch batch = MessageBatch.of(
                    of.template(), fields.stream().map(TextField::getText).toList());
            batch.values().forEach(v -> new LinkMessage("", v)); // what cannot be kept is said here
            say("");
            return Optional.of(batch);
        } catch (IllegalArgumentException e) {
            say(String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    private void say(String fault) {
        wrong.setText(fault);
        wrong.setVisible(!fault.isEmpty());
        wrong.setManaged(!fault.isEmpty());
    }

    private void filled() {
        ControlLink of = link;
        if (of == null) {
            return;
        }
        bytes.getChildren().clear();
        made.setText("");
        first.setText("");
        batch(of).ifPresent(all -> {
            MessageTemplate.Filled one = all.first();
            String tags =
                    one.values().stream().map(v -> String.valueOf(v.tag())).collect(Collectors.joining());
            first.setText(one + (tags.isEmpty() ? "" : "    as " + tags));
            MessageBytes.lines(one).forEach(l -> bytes.getChildren().add(Texts.mono(l, "soft", "small")));
            made.setText(all.count() == 1 ? "" : Counted.of(all.count(), "message"));
        });
    }

    private void changeTemplate() {
        ControlLink of = link;
        if (of == null) {
            return;
        }
        try {
            String text = template.getText().strip();
            MessageTemplate parsed = MessageTemplate.parse(text);
            int space = text.indexOf(' ');
            String arguments = space < 0 ? "" : text.substring(space).strip();
            UnaryOperator<ControlLink> change =
                    l -> l.with(b -> b.pattern(parsed.address()).arguments(arguments));
            ControlLink unused = change.apply(of); // refused here, and not where it is done
            document.apply(new Edit("Message of " + of.name(), p -> p.with(of.id(), change)));
        } catch (IllegalArgumentException e) {
            say(String.valueOf(e.getMessage()));
        }
    }

    private void make() {
        ControlLink of = link;
        if (of != null) {
            batch(of)
                    .ifPresent(all -> add(
                            of.id(),
                            "Make " + Counted.of(all.count(), "message") + " of " + of.name(),
                            all.all().stream().map(v -> new LinkMessage("", v)).toList()));
        }
    }

    private void add(Id<ControlLink> id, String what, List<LinkMessage> more) {
        change(id, what, before -> Stream.concat(before.stream(), more.stream()).toList());
    }

    private void remove() {
        ControlLink of = link;
        int row = messages.getSelectionModel().getSelectedIndex();
        if (of != null && row >= 0) {
            change(of.id(), "Remove a message of " + of.name(), before -> {
                List<LinkMessage> all = new ArrayList<>(before);
                all.remove(row);
                return all;
            });
        }
    }

    private void change(Id<ControlLink> id, String what, UnaryOperator<List<LinkMessage>> change) {
        document.apply(new Edit(what, p -> p.with(id, l -> l.withMessages(change.apply(l.messages())))));
    }

    private FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("Tables", "*.csv"),
                        new FileChooser.ExtensionFilter("JSON", "*.json"));
        return chooser;
    }

    private void chooseOut() {
        File file = link == null
                ? null
                : chooser("Write the messages").showSaveDialog(getScene().getWindow());
        if (file != null) {
            write(file.toPath());
        }
    }

    /** Writes the messages: as JSON where the name ends so, else as a table. */
    void write(Path file) {
        ControlLink of = link;
        if (of == null) {
            return;
        }
        boolean json = String.valueOf(file.getFileName()).endsWith(".json");
        document.work(
                () -> {
                    try {
                        Files.writeString(
                                file,
                                json
                                        ? LinkMessages.json(of)
                                        : LinkMessages.table(of).csv());
                        return Counted.of(of.messages().size(), "message") + " written to " + file.getFileName() + ".";
                    } catch (IOException | IllegalArgumentException e) {
                        return "The messages could not be written: " + e.getMessage();
                    }
                },
                document::tell);
    }

    private void chooseIn() {
        File file = link == null
                ? null
                : chooser("Read messages").showOpenDialog(getScene().getWindow());
        if (file != null) {
            read(file.toPath());
        }
    }

    /** Adds the messages of a file; those that do not fit are told with their reason. */
    void read(Path file) {
        ControlLink of = link;
        if (of == null) {
            return;
        }
        document.work(
                () -> {
                    try {
                        if (Files.size(file) > LARGEST) {
                            throw new IllegalArgumentException("The file is larger than 8 MB.");
                        }
                        return Optional.of(LinkMessages.read(of, Files.readString(file)));
                    } catch (IOException | IllegalArgumentException e) {
                        Platform.runLater(() -> document.tell(file.getFileName() + " was not read: " + e.getMessage()));
                        return Optional.<LinkMessages>empty();
                    }
                },
                read -> read.ifPresent(r -> {
                    add(
                            of.id(),
                            "Read " + Counted.of(r.messages().size(), "message") + " of " + of.name(),
                            r.messages());
                    if (!r.leftOut().isEmpty()) {
                        document.tell(r.leftOut().size() + " left out. "
                                + r.leftOut().get(0).text());
                    }
                }));
    }

    private void trySend() {
        ControlLink of = link;
        if (of != null) {
            batch(of).ifPresent(all -> send(of, List.of(all.first())));
        }
    }

    private void sendAll() {
        ControlLink of = link;
        if (of == null) {
            return;
        }
        try {
            send(
                    of,
                    of.messages().stream()
                            .map(m -> of.template().fill(m.values()))
                            .toList());
        } catch (IllegalArgumentException e) {
            result.setText("Nothing was sent: " + e.getMessage());
        }
    }

    private void send(ControlLink of, List<MessageTemplate.Filled> all) {
        result.setText("sending …");
        Daemons.of(
                        () -> {
                            String said = OscSending.send(net, of, all);
                            Platform.runLater(() -> result.setText(said));
                        },
                        "osc")
                .start();
    }
}
