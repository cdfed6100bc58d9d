package zentrel.plan;

import zentrel.text.Word;

/** What a surrounding is. */
public enum BodyForm implements Word {
    /** The outline of the whole place: four walls and a ceiling, seen from within. */
    ROOM,
    WALL,
    /** A surface on which things stand: a floor, a path, water. */
    FLOOR,
    PLATFORM,
    STEPS,
    POLE,
    TREE,
    /** A house, a rock, anything else that fills its size. */
    BLOCK;

    /** Whether fixtures and other surroundings stand on top of it. */
    public boolean carries() {
        return this == FLOOR || this == PLATFORM || this == STEPS;
    }
}
