package dev.vat.media.decode.still;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import dev.vat.core.product.OperatingSystem;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemoryLayout;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.SymbolLookup;
import java.lang.invoke.MethodHandle;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The reference decoder of JPEG XL (ISO/IEC 18181), libjxl 0.7 or newer, as the system has it: no package of it for this runtime exists.
 * Loaded when the first such file is met.
 */
@SuppressWarnings("restricted")
final class JxlLibrary {

    private static final int OLDEST = 7;
    private static final int NEWEST_TRIED = 40;
    private static final int THOUSAND = 1000;
    /** Up to 0.8 three functions had a parameter more, which they don't use. */
    private static final int WITHOUT_UNUSED = 9;

    private static final Optional<JxlLibrary> LOADED = load();

    private final SymbolLookup symbols;
    private final int version;
    private final MethodHandle create;
    private final MethodHandle destroy;
    private final MethodHandle subscribe;
    private final MethodHandle keepOrientation;
    private final MethodHandle input;
    private final MethodHandle process;
    private final MethodHandle info;
    private final MethodHandle size;
    private final MethodHandle output;
    private final MethodHandle encoding;
    private final MethodHandle profileSize;
    private final MethodHandle profile;

    private JxlLibrary(SymbolLookup symbols) {
        this.symbols = symbols;
        this.version = (int) call(handle("JxlDecoderVersion", JAVA_INT)) / THOUSAND % THOUSAND;
        this.create = handle("JxlDecoderCreate", ADDRESS, ADDRESS);
        this.destroy = Linker.nativeLinker().downcallHandle(symbols.findOrThrow("JxlDecoderDestroy"), FunctionDescriptor.ofVoid(ADDRESS));
        this.subscribe = handle("JxlDecoderSubscribeEvents", JAVA_INT, ADDRESS, JAVA_INT);
        this.keepOrientation = handle("JxlDecoderSetKeepOrientation", JAVA_INT, ADDRESS, JAVA_INT);
        this.input = handle("JxlDecoderSetInput", JAVA_INT, ADDRESS, ADDRESS, JAVA_LONG);
        this.process = handle("JxlDecoderProcessInput", JAVA_INT, ADDRESS);
        this.info = handle("JxlDecoderGetBasicInfo", JAVA_INT, ADDRESS, ADDRESS);
        this.size = handle("JxlDecoderImageOutBufferSize", JAVA_INT, ADDRESS, ADDRESS, ADDRESS);
        this.output = handle("JxlDecoderSetImageOutBuffer", JAVA_INT, ADDRESS, ADDRESS, ADDRESS, JAVA_LONG);
        this.encoding = ofColour("JxlDecoderGetColorAsEncodedProfile", ADDRESS);
        this.profileSize = ofColour("JxlDecoderGetICCProfileSize", ADDRESS);
        this.profile = ofColour("JxlDecoderGetColorAsICCProfile", ADDRESS, JAVA_LONG);
    }

    /** The library, if this system has it. */
    static Optional<JxlLibrary> find() {
        return LOADED;
    }

    private static Optional<JxlLibrary> load() {
        return names().flatMap(name -> lookup(name).stream()).findFirst().flatMap(JxlLibrary::of);
    }

    private static Optional<JxlLibrary> of(SymbolLookup symbols) {
        try {
            return Optional.of(new JxlLibrary(symbols));
        } catch (NoSuchElementException _) {
            // Something else by this name, or a version that has other functions: as good as none.
            return Optional.empty();
        }
    }

    /** By the names that systems give it, the newest first. */
    private static Stream<String> names() {
        return switch (OperatingSystem.here()) {
            case WINDOWS -> Stream.of("jxl.dll", "libjxl.dll");
            case MACOS -> Stream.of("/opt/homebrew/lib/libjxl.dylib", "/usr/local/lib/libjxl.dylib").filter(n -> Files.exists(Path.of(n)));
            case LINUX -> Stream.concat(Stream.iterate(NEWEST_TRIED, v -> v >= OLDEST, v -> v - 1).map(v -> "libjxl.so.0." + v),
                    Stream.of("libjxl.so"));
        };
    }

    private static Optional<SymbolLookup> lookup(String name) {
        try {
            return Optional.of(SymbolLookup.libraryLookup(name, Arena.global()));
        } catch (IllegalArgumentException _) {
            return Optional.empty();
        }
    }

    private MethodHandle handle(String name, MemoryLayout result, MemoryLayout... arguments) {
        return Linker.nativeLinker().downcallHandle(symbols.findOrThrow(name), FunctionDescriptor.of(result, arguments));
    }

    private MethodHandle ofColour(String name, MemoryLayout... last) {
        Stream<MemoryLayout> first = version < WITHOUT_UNUSED ? Stream.of(ADDRESS, ADDRESS, JAVA_INT) : Stream.of(ADDRESS, JAVA_INT);
        return handle(name, JAVA_INT, Stream.concat(first, Stream.of(last)).toArray(MemoryLayout[]::new));
    }

    private static Object call(MethodHandle handle, Object... arguments) {
        try {
            return handle.invokeWithArguments(arguments);
        } catch (RuntimeException | Error e) {
            throw e;
        } catch (Throwable e) {
            throw new IllegalStateException("A function of libjxl can't be called", e);
        }
    }

    /** @return a decoder, {@link MemorySegment#NULL} without memory for it */
    MemorySegment create() {
        return (MemorySegment) call(create, MemorySegment.NULL);
    }

    void destroy(MemorySegment decoder) {
        call(destroy, decoder);
    }

    /** Which events {@link #process} stops at, and pictures as they are stored. */
    int prepare(MemorySegment decoder, int events) {
        int subscribed = (int) call(subscribe, decoder, events);
        return subscribed != 0 ? subscribed : (int) call(keepOrientation, decoder, 1);
    }

    int input(MemorySegment decoder, MemorySegment data) {
        return (int) call(input, decoder, data, data.byteSize());
    }

    /** On to the next event. */
    int process(MemorySegment decoder) {
        return (int) call(process, decoder);
    }

    int info(MemorySegment decoder, MemorySegment into) {
        return (int) call(info, decoder, into);
    }

    int size(MemorySegment decoder, MemorySegment format, MemorySegment into) {
        return (int) call(size, decoder, format, into);
    }

    int output(MemorySegment decoder, MemorySegment format, MemorySegment samples) {
        return (int) call(output, decoder, format, samples, samples.byteSize());
    }

    /** The colours of the samples that come out, by names. */
    int encoding(MemorySegment decoder, MemorySegment into) {
        return (int) ofColour(encoding, decoder, into);
    }

    /** The colours of the samples that come out, by an ICC profile; its length. */
    int profileSize(MemorySegment decoder, MemorySegment into) {
        return (int) ofColour(profileSize, decoder, into);
    }

    int profile(MemorySegment decoder, MemorySegment into) {
        return (int) ofColour(profile, decoder, into, into.byteSize());
    }

    private Object ofColour(MethodHandle handle, MemorySegment decoder, Object... last) {
        List<Object> first = version < WITHOUT_UNUSED ? List.of(decoder, MemorySegment.NULL, 1) : List.of(decoder, 1);
        return call(handle, Stream.concat(first.stream(), Stream.of(last)).toArray());
    }
}
