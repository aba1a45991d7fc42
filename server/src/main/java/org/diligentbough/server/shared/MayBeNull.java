package org.diligentbough.server.shared;

import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;

/** Marks what of an answer or a request may be null; all else is always there, and the API document says so. */
@Retention(RetentionPolicy.RUNTIME)
public @interface MayBeNull {}
