package zentrel.build;

import java.util.Map;
import org.objectweb.asm.Type;
import org.objectweb.asm.commons.GeneratorAdapter;
import org.objectweb.asm.commons.Method;

/**
 * What becomes of a value between a lambda's interface and the method that it hands on to: a cast, a box put around a number or taken
 * off, a number made wider (Java SE 17 API, {@code LambdaMetafactory}, "linkage invariants").
 */
final class Conversion {
    private static final Map<Type, Type> BOXED = Map.of(
            Type.INT_TYPE, Type.getType(Integer.class),
            Type.LONG_TYPE, Type.getType(Long.class),
            Type.DOUBLE_TYPE, Type.getType(Double.class),
            Type.FLOAT_TYPE, Type.getType(Float.class),
            Type.SHORT_TYPE, Type.getType(Short.class),
            Type.BYTE_TYPE, Type.getType(Byte.class),
            Type.CHAR_TYPE, Type.getType(Character.class),
            Type.BOOLEAN_TYPE, Type.getType(Boolean.class));

    private static final Type NUMBER = Type.getType(Number.class);

    private Conversion() {}

    /**
     * Converts the value on top of the stack.
     *
     * @param from what it is declared as
     * @param meant what it is, by the interface with its type arguments
     * @param to what it has to be
     */
    static void of(GeneratorAdapter code, Type from, Type meant, Type to) {
        if (isPrimitive(from)) {
            if (isPrimitive(to)) {
                widen(code, from, to);
            } else {
                code.valueOf(from);
            }
        } else if (isPrimitive(to)) {
            Type box = box(from, meant, to);
            Type inside = box.equals(NUMBER) ? to : inside(box);
            code.checkCast(box);
            code.invokeVirtual(box, new Method(inside.getClassName() + "Value", inside, new Type[0]));
            widen(code, inside, to);
        } else if (!from.equals(to)) {
            code.checkCast(to); // to Object is no cast: the adapter leaves it out
        }
    }

    /** In what box a number is that is wanted as {@code to}: in that which is declared or meant, else in one that nobody knows yet. */
    private static Type box(Type from, Type meant, Type to) {
        if (BOXED.containsValue(from)) {
            return from;
        }
        if (BOXED.containsValue(meant)) {
            return meant;
        }
        return to.equals(Type.CHAR_TYPE) || to.equals(Type.BOOLEAN_TYPE) ? BOXED.get(to) : NUMBER;
    }

    private static boolean isPrimitive(Type type) {
        return BOXED.containsKey(type);
    }

    private static Type inside(Type box) {
        return BOXED.entrySet().stream()
                .filter(e -> e.getValue().equals(box))
                .findFirst()
                .orElseThrow()
                .getKey();
    }

    private static void widen(GeneratorAdapter code, Type from, Type to) {
        if (!from.equals(to)) {
            code.cast(from, to);
        }
    }
}
