package com.shuttle.panel;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import javax.imageio.ImageIO;

/** An address as a QR code (ISO 18004), which cameras read. Pure functions. */
final class QrCode {

    private static final int QUIET = 4;
    private static final int DOT = 12;

    private QrCode() {}

    /** One dot a square, with the quiet zone that readers need. */
    private static BitMatrix matrix(String address) {
        try {
            return new QRCodeWriter()
                    .encode(
                            address,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(
                                    EncodeHintType.ERROR_CORRECTION,
                                    ErrorCorrectionLevel.M,
                                    EncodeHintType.MARGIN,
                                    QUIET));
        } catch (WriterException e) {
            throw new IllegalArgumentException("no code holds this address", e);
        }
    }

    /** @throws IllegalArgumentException if the address is longer than a code can be */
    static String svg(String address) {
        BitMatrix dots = matrix(address);
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < dots.getHeight(); y++) {
            for (int x = 0; x < dots.getWidth(); x++) {
                if (dots.get(x, y)) {
                    path.append("M%d %dh1v1h-1z".formatted(x, y));
                }
            }
        }
        return """
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %d %d" shape-rendering="crispEdges">
                <path fill="#fff" d="M0 0h%dv%dH0z"/><path d="%s"/></svg>
                """.formatted(dots.getWidth(), dots.getHeight(), dots.getWidth(), dots.getHeight(), path);
    }

    /** @throws IllegalArgumentException if the address is longer than a code can be */
    static byte[] png(String address) {
        BitMatrix dots = matrix(address);
        int side = dots.getWidth() * DOT;
        BufferedImage image = new BufferedImage(side, side, BufferedImage.TYPE_BYTE_BINARY);
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                image.setRGB(x, y, dots.get(x / DOT, y / DOT) ? 0 : 0xffffff);
            }
        }
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
