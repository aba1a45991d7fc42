package org.diligentbough.server.shared;

import jakarta.servlet.http.HttpServletRequest;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Who is at work. For now a person picks their name and the interface sends its number in a header; sign-in will replace
 * this one class.
 */
@Component
public class CurrentPerson {
    public static final String HEADER = "X-Bough-Person";

    private final KnownPeople known;

    CurrentPerson(KnownPeople known) {
        this.known = known;
    }

    /** The person's id. A request that names nobody, or nobody who is known here, is refused. */
    public long id() {
        Long id = idOrNull();
        if (id == null || !known.has(id)) {
            throw ProblemException.nobody();
        }
        return id;
    }

    /** The person's id, or null when nobody is named or no request is being answered. */
    Long idOrNull() {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes)) {
            return null;
        }
        HttpServletRequest request = attributes.getRequest();
        String named = request.getHeader(HEADER);
        return named != null && named.matches("[0-9]{1,18}") ? Long.valueOf(named) : null;
    }

    /** Whether somebody is known here. */
    @Mapper
    interface KnownPeople {
        @Select("select exists (select from person where id = #{id})")
        boolean has(long id);
    }
}
