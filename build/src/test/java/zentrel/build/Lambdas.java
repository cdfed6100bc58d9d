package zentrel.build;

import java.io.Serializable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.BiFunction;
import java.util.function.BinaryOperator;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import java.util.function.IntBinaryOperator;
import java.util.function.IntFunction;
import java.util.function.IntToLongFunction;
import java.util.function.ObjIntConsumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.function.ToIntFunction;
import java.util.function.ToLongFunction;
import java.util.function.UnaryOperator;

/** Lambdas and method references of each kind; {@link #get} uses them all. */
@SuppressWarnings("UnnecessaryLambda") // they are what is tried
public final class Lambdas implements Supplier<List<String>> {
    private final List<String> said = new ArrayList<>();
    private final long own = 7;

    /** With type parameters, so that its method has a bridge. */
    private interface Turned<A extends Comparable<A>> extends Function<A, String> {
        @Override
        String apply(A value);
    }

    private interface Late {
        default Supplier<String> twice() {
            return () -> name() + name(); // private to an interface
        }

        String name();
    }

    private record Pair(int a, double b) {}

    /** Inside another class, whose private methods it calls. */
    private static final class Inner {
        private final int base;

        private Inner(int base) {
            this.base = base;
        }

        private int plus(int more) {
            return base + more;
        }

        private IntFunction<Integer> adding(byte small, char sign, short middle, float real, boolean really) {
            return more -> really ? plus(more) + small + sign + middle + (int) real : -1;
        }
    }

    private void say(Object what) {
        said.add(String.valueOf(what));
    }

    private void sayNumber(long what) {
        said.add("number " + what);
    }

    private static String joined(Object... parts) {
        return List.of(parts).toString();
    }

    private static int length(CharSequence text) {
        return text.length();
    }

    private static Integer boxedLength(Object text) {
        return text.toString().length();
    }

    @Override
    public List<String> get() {
        Runnable nothing = () -> say("ran");
        nothing.run();
        Supplier<String> none = () -> "none";
        say(none.get());
        long wide = 1L << 40;
        double real = 0.5;
        Supplier<Double> taken = () -> wide + real + own;
        say(taken.get());
        Consumer<String> bound = this::say;
        bound.accept("bound");
        Consumer<Integer> widened = this::sayNumber; // Integer to long
        widened.accept(12);
        Consumer<List<String>> dropped = new ArrayList<String>()::addAll; // its boolean is not asked for
        dropped.accept(List.of("x"));
        Consumer<Long> droppedLong = Math::abs; // nor this long
        droppedLong.accept(-3L);
        Function<String, Integer> unbound = String::length;
        say(unbound.apply("four"));
        ToIntFunction<String> narrowed = Lambdas::length;
        say(narrowed.applyAsInt("three"));
        ToLongFunction<String> unboxed = Lambdas::boxedLength; // Integer to long
        say(unboxed.applyAsLong("seventy"));
        ToDoubleFunction<Integer> toDouble = Integer::intValue; // int to double
        say(toDouble.applyAsDouble(5));
        ToLongFunction<Supplier<Integer>> asked = Supplier::get; // an Object by its declaration, to long
        say(asked.applyAsLong(() -> 6));
        Predicate<Supplier<Boolean>> askedWhether = Supplier::get;
        say(askedWhether.test(() -> true));
        IntToLongFunction longer = i -> i + 1L;
        say(longer.applyAsLong(2));
        IntBinaryOperator larger = Math::max;
        say(larger.applyAsInt(4, 9));
        DoubleUnaryOperator root = Math::sqrt;
        say(root.applyAsDouble(16));
        BinaryOperator<Integer> sum = Integer::sum;
        say(sum.apply(20, 22));
        BiFunction<Integer, Double, Pair> made = Pair::new;
        say(made.apply(1, 2.5));
        Function<Pair, Double> part = Pair::b;
        say(part.apply(new Pair(3, 4.5)));
        IntFunction<int[]> array = int[]::new;
        say(array.apply(3).length);
        Function<int[], Object> copy = int[]::clone;
        say(((int[]) copy.apply(new int[] {1, 2})).length);
        Function<Integer, Object> several = Lambdas::joined;
        say(several.apply(8));
        Comparator<String> order = Comparator.comparing(String::length);
        say(order.thenComparing(Comparator.reverseOrder()).compare("ab", "cd") > 0);
        ObjIntConsumer<List<Integer>> removing = List::remove;
        List<Integer> numbers = new ArrayList<>(List.of(1, 2, 3));
        removing.accept(numbers, 0);
        say(numbers);
        Callable<Object> thrown = () -> {
            throw new IllegalStateException("thrown");
        };
        try {
            say(thrown.call());
        } catch (Exception e) {
            say(e.getMessage());
        }
        Turned<String> turned = text -> new StringBuilder(text).reverse().toString();
        Function<String, String> bridged = turned;
        say(bridged.apply("bridged"));
        UnaryOperator<Function<Integer, Integer>> nested = f -> x -> f.apply(f.apply(x));
        say(nested.apply(x -> x * 3).apply(2));
        BooleanSupplier both = (BooleanSupplier & Serializable) () -> true; // of two interfaces: left to Java
        say(both.getAsBoolean() && both instanceof Serializable);
        say(new Inner(100).adding((byte) 1, 'a', (short) 3, 4.5f, true).apply(6));
        IntFunction<Integer> plus = new Inner(30)::plus;
        say(plus.apply(4));
        Late late = () -> "late";
        say(late.twice().get());
        Supplier<Object> up = super::getClass;
        say(up.get().equals(getClass()));
        Supplier<String> once = sameEachTime();
        say(once.equals(sameEachTime()));
        return said;
    }

    private static Supplier<String> sameEachTime() {
        return () -> "the same";
    }
}
