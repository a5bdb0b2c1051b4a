package prantel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.formats.FaultSetFile;
import prantel.formats.RigFile;
import prantel.formats.SchemeFile;
import prantel.formats.ShippedSchemes;
import prantel.formats.TesterFile;

/** The files that every command takes, and the key made from them. */
final class Inputs {
    private static final long LARGEST_BYTES = 64L * 1024 * 1024;

    @Parameters(index = "0", paramLabel = "RIG", description = "Rig file (JSON); - for standard input")
    @SuppressWarnings("NullAway.Init") // picocli fills it
    Path rig;

    @Option(names = "--faults", paramLabel = "FILE", description = "Fault set file (JSON); none: a healthy rig")
    @Nullable
    Path faults;

    @Option(names = "--instrument", paramLabel = "FILE", description = "Tester file (JSON); none: usual figures")
    @Nullable
    Path instrument;

    @Option(
            names = {"--scheme", "--sequence"},
            paramLabel = "SCHEME",
            description = "Scheme file (JSON), or the id of one that ships; none: the full sequence")
    @Nullable
    String scheme;

    Rig readRig() {
        return read(rig, RigFile::read);
    }

    /** Every command asks for the same tests: what one prints another reads. */
    Key key() {
        Rig theRig = readRig();
        FaultSet set = faults == null ? FaultSet.NONE : read(faults, bytes -> FaultSetFile.read(bytes, theRig));
        Tester tester = instrument == null ? Tester.usual() : read(instrument, TesterFile::read);
        return Key.of(theRig, set, tester, scheme());
    }

    /** A file where there is one of that name, else one that ships. */
    Scheme scheme() {
        String given = scheme;
        if (given == null) {
            return ShippedSchemes.everyTest();
        }
        Path path = Path.of(given);
        if (Files.exists(path)) {
            return read(path, SchemeFile::read);
        }
        return ShippedSchemes.named(given)
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "no-scheme",
                        "--scheme",
                        given,
                        "give a scheme file, or one of "
                                + String.join(", ", ShippedSchemes.all().keySet()))));
    }

    /** Reads a file; problems are given the file's name. */
    static <T> T read(Path path, Function<byte[], T> reader) {
        return of(path, bytes(path), reader);
    }

    /** Standard input, which can be read only once. */
    private static byte @Nullable [] standardInput;

    /** @param path of a file; "-" for standard input */
    static byte[] bytes(Path path) {
        try {
            if (path.toString().equals("-")) {
                byte[] read = standardInput;
                if (read == null) {
                    read = System.in.readAllBytes();
                    standardInput = read;
                }
                return read;
            }
            if (Files.size(path) > LARGEST_BYTES) {
                throw new ProblemsException(new Problem(
                        "too-large", path.toString(), Files.size(path) + " bytes", "this is no file of Prantel's"));
            }
            return Files.readAllBytes(path);
        } catch (IOException e) {
            throw new ProblemsException(
                    new Problem("no-file", path.toString(), "", "cannot be read; check the name and your rights"));
        }
    }

    /** What is read of a file's bytes; problems are given its name. */
    static <T> T of(Path path, byte[] bytes, Function<byte[], T> reader) {
        try {
            return reader.apply(bytes);
        } catch (ProblemsException e) {
            throw new ProblemsException(e.problems().stream()
                    .map(p -> p.at(p.where().isEmpty() ? path.toString() : path + ": " + p.where()))
                    .toList());
        }
    }
}
