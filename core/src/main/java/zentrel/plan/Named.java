package zentrel.plan;

/** A thing of the plan that has an id and a name for people. */
public interface Named {
    Id<?> id();

    String name();
}
