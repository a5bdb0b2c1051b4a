package prantel.server.database;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.h2.store.fs.FileBase;
import org.h2.store.fs.FilePathWrapper;

/** A disk that can lose its power: what was not forced onto it is gone then. For H2's file system, as {@code cut:}. */
public final class PowerCut extends FilePathWrapper {
    /** What is really on the disk, by file name. */
    static final Map<String, byte[]> ON_DISK = new ConcurrentHashMap<>();

    @Override
    public String getScheme() {
        return "cut";
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        return new Channel(getBase().toString(), getBase().open(mode));
    }

    private static final class Channel extends FileBase {
        private final String name;
        private final FileChannel base;

        Channel(String name, FileChannel base) {
            this.name = name;
            this.base = base;
        }

        @Override
        public void force(boolean metaData) throws IOException {
            ByteBuffer all = ByteBuffer.allocate(Math.toIntExact(base.size()));
            for (long at = 0; all.hasRemaining(); ) {
                int read = base.read(all, at);
                if (read < 0) {
                    break;
                }
                at += read;
            }
            ON_DISK.put(name, all.array());
        }

        @Override
        public long size() throws IOException {
            return base.size();
        }

        @Override
        public int read(ByteBuffer to) throws IOException {
            return base.read(to);
        }

        @Override
        public int read(ByteBuffer to, long at) throws IOException {
            return base.read(to, at);
        }

        @Override
        public int write(ByteBuffer from) throws IOException {
            return base.write(from);
        }

        @Override
        public int write(ByteBuffer from, long at) throws IOException {
            return base.write(from, at);
        }

        @Override
        public long position() throws IOException {
            return base.position();
        }

        @Override
        public FileChannel position(long at) throws IOException {
            base.position(at);
            return this;
        }

        @Override
        public FileChannel truncate(long size) throws IOException {
            base.truncate(size);
            return this;
        }

        @Override
        public FileLock tryLock(long from, long size, boolean shared) throws IOException {
            return base.tryLock(from, size, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            base.close();
        }
    }
}
