package zentrel.plan;

import zentrel.ipv4.Ipv4Address;

/**
 * An address that was typed into an application and does not follow when the adapter gets another: a remote's remembered
 * console, a bridge's target, an application's own field, a printed label.
 *
 * @param name what the field is called there
 * @param owner the application that keeps it
 * @param of the adapter whose address it is meant to be
 */
public record TypedCopy(CopyId id, String name, ApplicationId owner, AdapterId of, Setting<Ipv4Address> value)
        implements Named {
    public TypedCopy withValue(Setting<Ipv4Address> changed) {
        return new TypedCopy(id, name, owner, of, changed);
    }
}
