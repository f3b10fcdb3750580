package mindspool.server.http;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * On an operation that is sent like an act but only asks, or looks after its own storing: it waits
 * for no act and is not remembered by its key. All other POST, PUT and DELETE operations are acts,
 * see {@link ActGate}.
 */
@Target({ElementType.METHOD, ElementType.TYPE})
@Retention(RetentionPolicy.RUNTIME)
public @interface Asks {}
