package prantel.core.network;

/** A complex number: a voltage, current, impedance or admittance with its phase. */
public record Complex(double re, double im) {
    public static final Complex ZERO = new Complex(0, 0);

    static Complex polar(double size, double radians) {
        return new Complex(size * Math.cos(radians), size * Math.sin(radians));
    }

    public double size() {
        // no volt, amp or ohm is large enough for its square to overflow, and Math.hypot takes several times as long
        return Math.sqrt(re * re + im * im);
    }

    public double radians() {
        return Math.atan2(im, re);
    }

    public Complex plus(Complex other) {
        return new Complex(re + other.re, im + other.im);
    }

    public Complex minus(Complex other) {
        return new Complex(re - other.re, im - other.im);
    }

    public Complex times(Complex other) {
        return new Complex(re * other.re - im * other.im, re * other.im + im * other.re);
    }

    public Complex times(double factor) {
        return new Complex(re * factor, im * factor);
    }

    public Complex dividedBy(Complex other) {
        double square = other.re * other.re + other.im * other.im;
        return new Complex((re * other.re + im * other.im) / square, (im * other.re - re * other.im) / square);
    }

    public boolean isZero() {
        return re == 0 && im == 0;
    }
}
