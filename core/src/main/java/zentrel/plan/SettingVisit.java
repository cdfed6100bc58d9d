package zentrel.plan;

import zentrel.profile.ProfileStep;

/** What is done with each setting of an entity. */
public interface SettingVisit {
    /**
     * Looks at a setting.
     *
     * @param on that of which the device is the one where it is set: a device, adapter, program, input or port
     * @param owner the entity that has it
     * @param field its name there: {@code wire}
     * @param subject what it is about, as in {@link ProfileStep}
     * @return the setting to put in its place; the same one leaves it as it is
     */
    <T> Setting<T> of(Id<?> on, Id<?> owner, String field, String subject, Setting<T> setting);
}
