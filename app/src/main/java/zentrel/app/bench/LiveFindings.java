package zentrel.app.bench;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.live.HealthFinding;
import zentrel.live.SealedState;
import zentrel.live.StreamSeen;
import zentrel.profile.Protocol;

/** What is to be known of what arrives: who sends the chosen universe, and what may be the reason for a fault. */
final class LiveFindings extends VBox {
    private static final int MOST_FINDINGS = 6;

    private final OpenDocument document;
    private final VBox sources = new VBox(2);
    private final VBox health = new VBox(4);
    private final VBox since = new VBox(4);

    LiveFindings(OpenDocument document) {
        super(8);
        this.document = document;
        since.setId("live-since");
        getChildren().addAll(since, sources, health);
    }

    private void showSince(LiveSnapshot seen) {
        if (seen.since().isEmpty()) {
            return;
        }
        LiveSnapshot.Since changed = seen.since().get();
        String selected = Optional.ofNullable(document.selectionProperty().get())
                .filter(id -> document.plan().index().find(id).isPresent())
                .map(id -> document.plan().index().name(id))
                .orElse("");
        List<String> lines = changed.changes().stream()
                .sorted(Comparator.comparing(
                        c -> selected.isEmpty() || !c.about().contains(selected)))
                .limit(MOST_FINDINGS)
                .map(SealedState.Change::text)
                .toList();
        if (lines.equals(since.getUserData())) {
            return;
        }
        since.setUserData(lines);
        since.getChildren().setAll(Texts.of("Since " + EventTimes.ofDay(changed.sealed()), "strong"));
        lines.forEach(l -> since.getChildren().add(Texts.wrapped(l, "at-risk", "small")));
        if (lines.isEmpty()) {
            since.getChildren().add(Texts.of("Nothing changed.", "soft", "small"));
        }
    }

    void show(LiveSnapshot seen, Optional<UniverseKey> chosen) {
        showSince(seen);
        showSources(seen, chosen);
        showHealth(seen);
    }

    /** Who sends the chosen universe, one line a source. */
    private void showSources(LiveSnapshot seen, Optional<UniverseKey> chosen) {
        List<String> lines = chosen.flatMap(seen::universe)
                .map(u -> u.sources().stream()
                        .limit(MOST_FINDINGS)
                        .map(LiveFindings::words)
                        .toList())
                .orElse(List.of());
        if (lines.equals(sources.getUserData())) {
            return;
        }
        sources.setUserData(lines);
        sources.getChildren().clear();
        lines.forEach(l -> sources.getChildren().add(Texts.wrapped(l, "small")));
    }

    private static String words(StreamSeen s) {
        return s.title() + " at " + s.source()
                + (s.protocol() == Protocol.SACN ? ", priority " + s.priority() : "")
                + (s.state() == StreamSeen.State.SENDS
                        ? ", %.0f/s".formatted(s.ratePerSecond())
                        : ", " + s.state().word())
                + (s.lost() > 0 ? ", " + s.lost() + " lost" : "")
                + (s.sync() > 0 ? ", waits for sync " + s.sync() : "")
                + (s.preview() ? ", preview" : "")
                + s.otherStartCodes().entrySet().stream()
                        .map(e -> ", " + e.getValue() + " × start code 0x%02x".formatted(e.getKey()))
                        .collect(Collectors.joining());
    }

    private void showHealth(LiveSnapshot seen) {
        List<String> bad = seen.malformed();
        String last = bad.isEmpty() ? "" : bad.get(bad.size() - 1) + ".";
        List<String> texts = Stream.concat(
                        Stream.of(last),
                        seen.health().stream()
                                .limit(MOST_FINDINGS)
                                .map(h -> (h.kind().isGrave() ? "!" : " ") + h.text() + " Seen "
                                        + DeviceColumn.ago(seen.now() - h.seen()) + " ago."))
                .toList();
        if (texts.equals(health.getUserData())) {
            return;
        }
        health.setUserData(texts);
        health.getChildren().clear();
        if (!last.isEmpty()) {
            health.getChildren().add(Texts.wrapped(last, "small", "at-risk"));
        }
        for (HealthFinding h : seen.health().stream().limit(MOST_FINDINGS).toList()) {
            Label label = Texts.wrapped(
                    h.text() + " Seen " + DeviceColumn.ago(seen.now() - h.seen()) + " ago.",
                    "small",
                    h.kind().isGrave() ? "broken" : "at-risk");
            h.at().ifPresent(id -> label.setOnMouseClicked(e -> document.select(id)));
            health.getChildren().add(label);
        }
        int more = seen.health().size() - MOST_FINDINGS;
        if (more > 0) {
            health.getChildren().add(Texts.of("and " + more + " more", "soft", "small"));
        }
    }
}
