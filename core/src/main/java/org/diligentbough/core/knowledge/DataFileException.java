package org.diligentbough.core.knowledge;

/** A data file of the core that cannot be used; the message names the file, the line and what is wrong there. */
public final class DataFileException extends RuntimeException {

    DataFileException(String file, long line, String problem) {
        super(file + ", line " + line + ": " + problem);
    }
}
