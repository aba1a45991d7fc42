package org.diligentbough.server.shared;

/**
 * One thing wrong with what was sent.
 *
 * @param pointer JSON pointer to the field
 * @param detail what is wrong and what to do, as a sentence
 */
public record FieldProblem(String pointer, String detail) {}
