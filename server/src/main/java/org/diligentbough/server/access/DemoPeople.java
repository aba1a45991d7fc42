package org.diligentbough.server.access;

import jakarta.servlet.http.HttpServletRequest;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.AccountMapper.AccountRow;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Component;

/** The made-up people of the demo, as whom one click signs in: only where the demo is loaded, and only from this machine. */
@Component
class DemoPeople {
    private final AccountMapper accounts;
    private final DemoMapper people;
    private final boolean demo;

    DemoPeople(AccountMapper accounts, DemoMapper people, Today.Settings settings, DoorSettings door) {
        this.accounts = accounts;
        this.people = people;
        this.demo = !door.https()
                && settings.demoFolder() != null
                && !settings.demoFolder().isBlank();
    }

    /** One of them and what they mostly are. */
    record DemoPersonView(String name, String role) {}

    /** Those who are offered to whoever asks from here; nobody to anybody else. */
    List<DemoPersonView> offered(HttpServletRequest request) {
        return demo && local(request)
                ? people.all().stream()
                        .map(row -> new DemoPersonView(row.name(), Codes.of(row.role())))
                        .toList()
                : List.of();
    }

    /**
     * The account of one of them.
     *
     * @throws ProblemException 404 when there is no demo, or not for whoever asks, or no such person in it
     */
    AccountRow account(String name, HttpServletRequest request) {
        return offered(request).stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .flatMap(one -> people.all().stream()
                        .filter(row -> row.name().equals(one.name()))
                        .findFirst())
                .flatMap(row -> accounts.of(row.personId()))
                .orElseThrow(() -> ProblemException.notFound("There is no such person to try the demo as."));
    }

    /** Whether it comes from this machine itself, to it by its own name, and through nothing that passes it on. */
    private static boolean local(HttpServletRequest request) {
        try {
            return InetAddress.getByName(request.getRemoteAddr()).isLoopbackAddress()
                    && DoorSettings.isThisMachine(request.getServerName());
        } catch (UnknownHostException e) {
            return false;
        }
    }

    /** Made-up people's accounts, with the role that may do most. */
    @Mapper
    interface DemoMapper {
        record DemoRow(Long personId, String name, Role role) {}

        @Select("""
                select * from (select distinct on (p.id) p.id as person_id, p.name, m.role
                from account a join person p on p.id = a.person_id join membership m on m.person_id = p.id
                where a.demo and a.enabled
                order by p.id, array_position(array['coordinator', 'leader', 'volunteer', 'owner'], m.role)) as found
                order by array_position(array['coordinator', 'leader', 'volunteer', 'owner'], role), name
                """)
        List<DemoRow> all();
    }
}
