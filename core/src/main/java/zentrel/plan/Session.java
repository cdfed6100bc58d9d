package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
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

    /** Whether any desk leads it. */
    public boolean isLed() {
        return desks.stream().anyMatch(d -> d.part() == Part.PRIMARY);
    }

    /** One desk of a session. */
    public record Desk(Id<Application> application, Part part) {}
}
