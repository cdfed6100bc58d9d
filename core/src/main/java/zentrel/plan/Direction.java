package zentrel.plan;

/** Which way levels go through a port. */
public enum Direction implements Word {
    OUTPUT,
    INPUT
}
