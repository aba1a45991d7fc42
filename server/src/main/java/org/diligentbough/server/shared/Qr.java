package org.diligentbough.server.shared;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** A QR code as rows of 0 and 1, to be drawn by whoever shows it. */
public final class Qr {
    private static final int QUIET_MODULES = 2;

    private Qr() {}

    /** The code of a text, with its quiet margin; as many rows as columns. */
    public static List<String> rows(String text) {
        try {
            BitMatrix code = new QRCodeWriter()
                    .encode(
                            text,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(
                                    EncodeHintType.MARGIN,
                                    QUIET_MODULES,
                                    EncodeHintType.ERROR_CORRECTION,
                                    ErrorCorrectionLevel.M));
            return IntStream.range(0, code.getHeight())
                    .mapToObj(y -> IntStream.range(0, code.getWidth())
                            .mapToObj(x -> code.get(x, y) ? "1" : "0")
                            .collect(Collectors.joining()))
                    .toList();
        } catch (WriterException e) {
            throw new IllegalStateException(e);
        }
    }
}
