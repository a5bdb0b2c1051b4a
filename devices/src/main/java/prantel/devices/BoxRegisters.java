package prantel.devices;

/** Addresses of the fault box, counted from 0 as they go over the wire. See {@code docs/formats/faultbox.md}. */
final class BoxRegisters {
    static final int UNIT = 1;
    /** Holding register: who may write coils; 0 for nobody. */
    static final int OWNER = 0;
    /** Holding register: after so many seconds of silence of its owner the box releases every relay. */
    static final int WATCHDOG_SECONDS = 1;
    /** Input register: number of relays; coils and discrete inputs go from 0 to one less. */
    static final int RELAYS = 0;
    /** Input register: how often it was switched on, modulo 65536. */
    static final int POWER_UPS = 1;

    static final int HOLDING_COUNT = 2;
    static final int INPUT_COUNT = 2;

    private BoxRegisters() {}

    /** Registers go high byte first. */
    static byte[] bytes(int... registers) {
        byte[] bytes = new byte[2 * registers.length];
        for (int i = 0; i < registers.length; i++) {
            bytes[2 * i] = (byte) (registers[i] >> 8);
            bytes[2 * i + 1] = (byte) registers[i];
        }
        return bytes;
    }

    static int register(byte[] bytes, int index) {
        return (bytes[2 * index] & 0xFF) << 8 | bytes[2 * index + 1] & 0xFF;
    }

    /** Bits go lowest first. */
    static byte[] bits(boolean[] states, int from, int count) {
        byte[] bytes = new byte[(count + 7) / 8];
        for (int i = 0; i < count; i++) {
            if (states[from + i]) {
                bytes[i / 8] |= (byte) (1 << i % 8);
            }
        }
        return bytes;
    }

    static boolean bit(byte[] bytes, int index) {
        return (bytes[index / 8] & 1 << index % 8) != 0;
    }
}
