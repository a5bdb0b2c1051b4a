package prantel.core.network;

import java.util.Arrays;

/** A small unordered set of nodes; degrees stay small, so a scan beats hashing. */
final class NodeSet {
    private int[] items;
    private int size;

    NodeSet(int... first) {
        items = Arrays.copyOf(first, Math.max(4, first.length));
        size = first.length;
    }

    void add(int node) {
        for (int i = 0; i < size; i++) {
            if (items[i] == node) {
                return;
            }
        }
        if (size == items.length) {
            items = Arrays.copyOf(items, 2 * size);
        }
        items[size++] = node;
    }

    void remove(int node) {
        for (int i = 0; i < size; i++) {
            if (items[i] == node) {
                items[i] = items[--size];
                return;
            }
        }
    }

    int size() {
        return size;
    }

    int get(int index) {
        return items[index];
    }

    int[] toArray() {
        return Arrays.copyOf(items, size);
    }
}
