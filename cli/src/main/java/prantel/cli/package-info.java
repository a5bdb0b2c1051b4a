/**
 * The command line: files in, files out, no server. One class a command; {@link prantel.cli.Prantel} lists them. Exit
 * code 0 when done, 2 when what was given is wrong, with every problem on the error stream.
 */
@NullMarked
package prantel.cli;

import org.jspecify.annotations.NullMarked;
