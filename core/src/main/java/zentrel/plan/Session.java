package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * Desks that share one show.
 *
 * @param key what the software asks for on joining
 * @param versions how closely the desks' versions must agree
 */
@RecordBuilder
public record Session(Id<Session> id, String name, String key, VersionRule versions, List<Desk> desks)
        implements Named, SessionBuilder.With {
    public Session {
        PlainText.require("The name of a session", name);
        PlainText.require("The key of a session", key);
        desks = List.copyOf(desks);
    }

    /** The same session with one more desk. */
    public Session with(Id<Application> program, Part part) {
        List<Desk> more = new ArrayList<>(desks);
        more.add(new Desk(program, part));
        return withDesks(more);
    }

    /** The same session with what one desk is changed to. */
    public Session with(Desk changed) {
        return withDesks(desks.stream()
                .map(d -> d.application().equals(changed.application()) ? changed : d)
                .toList());
    }

    /** The desk that a program is in it, if it is one. */
    public Optional<Desk> desk(Id<Application> program) {
        return desks.stream().filter(d -> d.application().equals(program)).findFirst();
    }

    /** Whether any desk leads it. */
    public boolean isLed() {
        return desks.stream().anyMatch(d -> d.part() == Part.PRIMARY);
    }

    /** What a desk has to type in on entering. */
    public String keyAt(Desk desk) {
        return desk.key().orElse(key);
    }

    /** The desk that leads it: the first main one. */
    public Optional<Desk> main() {
        return desks.stream().filter(d -> d.part() == Part.PRIMARY).findFirst();
    }

    /**
     * One desk of a session.
     *
     * @param key what is typed in there; empty where nobody has said otherwise, and it is the session's
     * @param entered whether it has entered; empty where nobody has said so, and it is taken to be in as soon as nothing keeps it out
     */
    public record Desk(Id<Application> application, Part part, Optional<String> key, Optional<Boolean> entered) {
        public Desk {
            key.ifPresent(k -> {
                PlainText.require("The key of a desk", k);
                if (k.contains(",") || k.contains(";")) { // they part desks where they are written one after the other
                    throw new IllegalArgumentException("The key of a desk has no comma and no semicolon: " + k);
                }
            });
        }

        /** One of which nothing more is said. */
        public Desk(Id<Application> application, Part part) {
            this(application, part, Optional.empty(), Optional.empty());
        }

        public Desk withPart(Part value) {
            return new Desk(application, value, key, entered);
        }

        public Desk withKey(Optional<String> value) {
            return new Desk(application, part, value, entered);
        }
    }
}
