package zentrel.plan;

import java.util.List;

/**
 * Desks that share one show.
 *
 * @param key what the software asks for on joining
 * @param versions how closely the members' versions must agree
 */
public record Session(SessionId id, String name, String key, VersionRule versions, List<Member> members)
        implements Named {
    public Session {
        members = List.copyOf(members);
    }

    /** One desk of a session. */
    public record Member(ApplicationId application, Part part) {}
}
