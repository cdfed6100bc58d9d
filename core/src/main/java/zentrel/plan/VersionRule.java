package zentrel.plan;

/** How closely the versions of a session's members must agree. */
public enum VersionRule implements Word {
    /** The whole version text. */
    EXACT,
    /** The first two numbers. */
    MAJOR_MINOR,
    /** The first number. */
    MAJOR,
    /** They need not agree. */
    ANY
}
