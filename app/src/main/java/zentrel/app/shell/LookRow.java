package zentrel.app.shell;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Hint;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.look.NextLook;
import zentrel.look.Seen;
import zentrel.path.SignalPath;
import zentrel.plan.Answer;
import zentrel.plan.Edit;
import zentrel.plan.Plan;
import zentrel.plan.Sighting;

/** Asks for the one observation that tells most about what does not respond; the answers are kept in the plan. */
final class LookRow extends HBox {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ROOT);

    private final OpenDocument document;
    private final SignalPath path;

    LookRow(OpenDocument document, Plan plan, SignalPath path, Runnable leave) {
        super(8);
        this.document = document;
        this.path = path;
        setAlignment(Pos.CENTER_LEFT);
        NextLook look = next(plan, path);
        Label text = Texts.wrapped(
                look.next().map(n -> (n.place() + 1) + "  " + n.question()).orElse(look.says()));
        text.setId("look-text");
        text.setMinWidth(0);
        text.setMaxHeight(40);
        HBox.setHgrow(text, Priority.ALWAYS);
        Hint.on(text, look::says);
        getChildren().addAll(text, Mark.gap());
        look.next()
                .ifPresent(n -> getChildren()
                        .addAll(
                                answer("Yes", n.place(), Answer.YES),
                                answer("No", n.place(), Answer.NO),
                                answer("Cannot tell", n.place(), Answer.CANNOT_TELL)));
        if (!Seen.of(plan, path).isEmpty()) {
            Button anew = kept(PathStrip.button("Start again", this::forget));
            anew.setId("look-anew");
            getChildren().add(anew);
        }
        getChildren().add(kept(PathStrip.button("Close", leave)));
    }

    private static NextLook next(Plan plan, SignalPath path) {
        List<Seen> seen = new ArrayList<>(List.of(
                new Seen(path.hops().toList().size() - 1, Answer.NO, Instant.now(), ""))); // it does not respond
        seen.addAll(Seen.of(plan, path));
        return NextLook.of(plan, path, seen);
    }

    /** What is known of a path by what was seen of it; empty where nothing was. */
    static Optional<String> known(Plan plan, SignalPath path) {
        List<Seen> seen = Seen.of(plan, path);
        if (seen.stream().allMatch(s -> s.answer() == Answer.CANNOT_TELL)) {
            return Optional.empty();
        }
        List<Integer> left = NextLook.of(plan, path, seen).left();
        int hops = path.hops().toList().size();
        if (left.isEmpty()) {
            boolean whole = seen.stream().anyMatch(s -> s.place() == hops - 1 && s.answer() == Answer.YES);
            return Optional.of(whole ? "was seen to arrive" : "what was seen does not fit together");
        }
        int first = left.get(0) + 1;
        int last = left.get(left.size() - 1) + 1;
        return Optional.of(
                first == last
                        ? "by what was seen, fails at " + first
                        : "by what was seen, fails at " + first + " to " + last);
    }

    /** When something was seen: the time today, else the day too. */
    static String when(Seen seen) {
        ZonedDateTime at = seen.at().atZone(ZoneId.systemDefault());
        return (at.toLocalDate().equals(LocalDate.now(ZoneId.systemDefault())) ? TIME : DAY).format(at);
    }

    private Button answer(String words, int place, Answer answer) {
        Button button = kept(PathStrip.button(words, () -> keep(place, answer)));
        button.setId("look-" + answer.name().toLowerCase(Locale.ROOT));
        return button;
    }

    private void keep(int place, Answer answer) {
        Sighting sighting = new Sighting(
                path.signal().orElseThrow(),
                path.receiver().orElseThrow(),
                place + 1,
                answer,
                Instant.now().truncatedTo(ChronoUnit.SECONDS),
                System.getProperty("user.name", "somebody"));
        document.apply(new Edit("Keep what was seen at hop " + (place + 1), p -> {
            List<Sighting> all = new ArrayList<>(p.sightings());
            all.add(sighting);
            return p.withSightings(all);
        }));
    }

    private void forget() {
        document.apply(new Edit(
                "Forget what was seen",
                p -> p.withSightings(p.sightings().stream()
                        .filter(s -> !s.isOf(
                                path.signal().orElseThrow(), path.receiver().orElseThrow()))
                        .toList())));
    }

    static Button kept(Button button) {
        button.setMinWidth(Region.USE_PREF_SIZE);
        return button;
    }
}
