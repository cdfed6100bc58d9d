package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
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

    /** One desk of a session. */
    public record Desk(Id<Application> application, Part part) {}
}
