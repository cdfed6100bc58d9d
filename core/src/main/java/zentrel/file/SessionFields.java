package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;

/** Sessions in a plan file. */
final class SessionFields implements Fields<Session> {
    @Override
    public Session read(JsonPlace p, References refs) {
        Id<Session> id = refs.declare(p, Kind.SESSION);
        return new Session(
                id,
                p.text("name", id.value()),
                p.text("key", ""),
                p.word("versions", VersionRule.class, VersionRule.EXACT),
                p.all(
                        p.nowOrBefore("desks", "members"),
                        m -> new Session.Desk(
                                refs.refer(m.need("application"), Kind.APPLICATION),
                                m.word("part", Part.class, Part.REMOTE),
                                m.optional("key").map(JsonPlace::text),
                                m.optional("entered").map(JsonPlace::bool))));
    }

    @Override
    public void write(ObjectNode n, Session s) {
        named(n, s);
        text(n, "key", s.key(), "");
        word(n, "versions", s.versions(), VersionRule.EXACT);
        all(n, "desks", s.desks(), (m, x) -> {
            m.put("application", x.application().value());
            word(m, "part", x.part(), Part.REMOTE);
            x.key().ifPresent(k -> m.put("key", k));
            x.entered().ifPresent(e -> m.put("entered", e));
        });
    }
}
