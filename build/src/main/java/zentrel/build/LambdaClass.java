package zentrel.build;

import java.util.ArrayList;
import java.util.List;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.commons.GeneratorAdapter;
import org.objectweb.asm.commons.Method;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;

/**
 * The class of one lambda or method reference: a field for each value that it takes along, a static method that makes one, and the
 * method of its interface, which hands on to where the compiler put what it does. The source of what has to be converted on the way is
 * the documentation of {@code java.lang.invoke.LambdaMetafactory} (Java SE 17 API).
 */
final class LambdaClass {
    /** The static method that makes one. */
    static final String MAKE = "make";

    private static final Type OBJECT = Type.getType(Object.class);
    private static final Method NO_VALUES = new Method("<init>", "()V");
    private static final Method FIRST_USE = new Method("<clinit>", "()V");

    private final ClassWriter writer = new ClassWriter(ClassWriter.COMPUTE_MAXS);
    private final Type self;
    private final Type face;
    private final Type[] taken;
    private final Method init;
    private final InvokeDynamicInsnNode call;

    private LambdaClass(String name, InvokeDynamicInsnNode call) {
        this.self = Type.getObjectType(name);
        this.call = call;
        this.face = Type.getReturnType(call.desc);
        this.taken = Type.getArgumentTypes(call.desc);
        this.init = new Method("<init>", Type.VOID_TYPE, taken);
    }

    /**
     * The compiled class.
     *
     * @param name what to call it
     * @param host the class whose private methods it may call
     * @param call where Java would make it at run time
     */
    static byte[] bytes(String name, String host, InvokeDynamicInsnNode call) {
        return new LambdaClass(name, call).written(host);
    }

    private byte[] written(String host) {
        writer.visit(
                Opcodes.V17,
                Opcodes.ACC_FINAL | Opcodes.ACC_SUPER | Opcodes.ACC_SYNTHETIC,
                self.getInternalName(),
                null,
                OBJECT.getInternalName(),
                new String[] {face.getInternalName()});
        writer.visitNestHost(host);
        values();
        making();
        handingOn();
        writer.visitEnd();
        return writer.toByteArray();
    }

    private GeneratorAdapter method(int access, Method method) {
        GeneratorAdapter code = new GeneratorAdapter(access, method, null, null, writer);
        code.visitCode();
        return code;
    }

    private static void end(GeneratorAdapter code) {
        code.returnValue();
        code.endMethod();
    }

    private static String field(int number) {
        return "value" + number;
    }

    private void values() {
        for (int i = 0; i < taken.length; i++) {
            writer.visitField(Opcodes.ACC_PRIVATE | Opcodes.ACC_FINAL, field(i), taken[i].getDescriptor(), null, null)
                    .visitEnd();
        }
        GeneratorAdapter code = method(Opcodes.ACC_PRIVATE, init);
        code.loadThis();
        code.invokeConstructor(OBJECT, NO_VALUES);
        for (int i = 0; i < taken.length; i++) {
            code.loadThis();
            code.loadArg(i);
            code.putField(self, field(i), taken[i]);
        }
        end(code);
    }

    /** One that takes nothing along is made once, as Java does it. */
    private void making() {
        Method make = new Method(MAKE, face, taken);
        if (taken.length > 0) {
            GeneratorAdapter code = method(Opcodes.ACC_STATIC, make);
            code.newInstance(self);
            code.dup();
            code.loadArgs();
            code.invokeConstructor(self, init);
            end(code);
            return;
        }
        String only = "ONLY";
        writer.visitField(
                        Opcodes.ACC_PRIVATE | Opcodes.ACC_STATIC | Opcodes.ACC_FINAL,
                        only,
                        self.getDescriptor(),
                        null,
                        null)
                .visitEnd();
        GeneratorAdapter first = method(Opcodes.ACC_STATIC, FIRST_USE);
        first.newInstance(self);
        first.dup();
        first.invokeConstructor(self, init);
        first.putStatic(self, only, self);
        end(first);
        GeneratorAdapter code = method(Opcodes.ACC_STATIC, make);
        code.getStatic(self, only, self);
        end(code);
    }

    private void handingOn() {
        Type declared = (Type) call.bsmArgs[0];
        Handle target = (Handle) call.bsmArgs[1];
        Type meant = (Type) call.bsmArgs[2];
        boolean makes = target.getTag() == Opcodes.H_NEWINVOKESPECIAL;
        Type owner = Type.getObjectType(target.getOwner());
        List<Type> wanted = new ArrayList<>();
        if (!makes && target.getTag() != Opcodes.H_INVOKESTATIC) {
            wanted.add(owner); // what it is called on
        }
        wanted.addAll(List.of(Type.getArgumentTypes(target.getDesc())));

        GeneratorAdapter code = method(Opcodes.ACC_PUBLIC, new Method(call.name, declared.getDescriptor()));
        if (makes) {
            code.newInstance(owner);
            code.dup();
        }
        int next = 0;
        for (int i = 0; i < taken.length; i++) {
            code.loadThis();
            code.getField(self, field(i), taken[i]);
            Conversion.of(code, taken[i], taken[i], wanted.get(next++));
        }
        Type[] given = declared.getArgumentTypes();
        for (int i = 0; i < given.length; i++) {
            code.loadArg(i);
            Conversion.of(code, given[i], meant.getArgumentTypes()[i], wanted.get(next++));
        }
        invoke(code, target, owner);
        Type got = makes ? owner : Type.getReturnType(target.getDesc());
        if (declared.getReturnType().equals(Type.VOID_TYPE)) {
            drop(code, got);
        } else {
            Conversion.of(code, got, meant.getReturnType(), declared.getReturnType());
        }
        end(code);
    }

    private static void invoke(GeneratorAdapter code, Handle target, Type owner) {
        int how = switch (target.getTag()) {
            case Opcodes.H_INVOKESTATIC -> Opcodes.INVOKESTATIC;
            case Opcodes.H_NEWINVOKESPECIAL -> Opcodes.INVOKESPECIAL;
            default -> target.isInterface() ? Opcodes.INVOKEINTERFACE : Opcodes.INVOKEVIRTUAL;
        };
        code.visitMethodInsn(how, owner.getInternalName(), target.getName(), target.getDesc(), target.isInterface());
    }

    private static void drop(GeneratorAdapter code, Type value) {
        switch (value.getSize()) {
            case 0 -> {}
            case 1 -> code.pop();
            default -> code.pop2();
        }
    }
}
