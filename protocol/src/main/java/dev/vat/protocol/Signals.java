package dev.vat.protocol;

import dev.vat.core.words.Words;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;

/**
 * Signals of POSIX systems, by the one means that Java has: {@code sun.misc.Signal} of the module {@code jdk.unsupported}. It is called
 * by name, for the compiler warns of every use of it.
 */
public final class Signals {

    private static final Words WORDS = Words.of(Signals.class);

    private static final String SIGNAL = "sun.misc.Signal";
    private static final String HANDLER = "sun.misc.SignalHandler";

    private Signals() {}

    /** Takes a handler back. */
    public interface Taken extends AutoCloseable {
        @Override
        void close();
    }

    /** Nothing comes of a signal from now on. @param name without {@code SIG} in front: {@code INT} */
    public static void ignore(String name) {
        try {
            handle(name, Class.forName(HANDLER).getField("SIG_IGN").get(null));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("This Java can't leave signals alone", e);
        }
    }

    /** Has something done on each signal, instead of what came of it before. */
    public static Taken on(String name, Runnable act) {
        try {
            Class<?> type = Class.forName(HANDLER);
            Object handler = Proxy.newProxyInstance(type.getClassLoader(), new Class<?>[] {type},
                    (proxy, method, arguments) -> switch (method.getName()) {
                        case "handle" -> {
                            act.run();
                            yield null;
                        }
                        case "equals" -> proxy == arguments[0];
                        case "hashCode" -> System.identityHashCode(proxy);
                        default -> WORDS.say("signal", name);
                    });
            Object former = handle(name, handler);
            return () -> {
                try {
                    handle(name, former);
                } catch (ReflectiveOperationException e) {
                    throw new IllegalStateException("The handler of " + name + " can't be taken back", e);
                }
            };
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("This Java can't hear signals", e);
        }
    }

    /** @return the handler before */
    private static Object handle(String name, Object handler) throws ReflectiveOperationException {
        Class<?> signal = Class.forName(SIGNAL);
        Method handle = signal.getMethod("handle", signal, Class.forName(HANDLER));
        try {
            return handle.invoke(null, signal.getConstructor(String.class).newInstance(name), handler);
        } catch (InvocationTargetException e) {
            throw new IllegalArgumentException(WORDS.say("thereIsNoSignalHere", name, e.getCause().getMessage()), e.getCause());
        }
    }
}
