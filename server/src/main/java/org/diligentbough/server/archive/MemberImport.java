package org.diligentbough.server.archive;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.Role;
import org.diligentbough.server.archive.Archive.ArchivedPerson;
import org.diligentbough.server.crew.PeopleService;
import org.diligentbough.server.orchard.SiteMapper;
import org.diligentbough.server.shared.CurrentPerson;
import org.springframework.stereotype.Component;

/**
 * What people of an archive are at its site, and who of them left; the last thing taken in, as whoever is named anywhere is
 * put back on the list. Nobody can sign in by it: that wants an invitation.
 */
@Component
class MemberImport {
    private final PeopleService people;
    private final SiteMapper sites;
    private final RecordMapper tables;
    private final CurrentPerson person;

    MemberImport(PeopleService people, SiteMapper sites, RecordMapper tables, CurrentPerson person) {
        this.people = people;
        this.sites = sites;
        this.tables = tables;
        this.person = person;
    }

    /** Who was known here before an archive came, by their days of leaving. */
    record Before(long lastPerson, Map<Long, LocalDate> left) {}

    Before before() {
        return new Before(
                sites.lastPerson(),
                people.everybody().stream()
                        .filter(one -> one.leftOn() != null)
                        .collect(Collectors.toMap(PeopleService.Person::id, PeopleService.Person::leftOn)));
    }

    /** Takes it in; of who was known here before an archive says nothing about their coming and leaving. */
    void add(Archive archive, long siteId, Before before, DayWords words, Problems problems) {
        List<ArchivedPerson> everybody = archive.people() == null ? List.of() : archive.people();
        for (int i = 0; i < everybody.size(); i++) {
            ArchivedPerson given = everybody.get(i);
            String at = "/people/" + i;
            long id = people.named(given.name(), siteId);
            if (given.role() != null && !Objects.equals(person.idOrNull(), id)) {
                if (Codes.parse(Role.class, given.role()).isEmpty()) {
                    problems.add(at + "/role", "is not known; choose one of " + Codes.all(Role.class));
                } else {
                    tables.member(siteId, id, given.role(), Boolean.TRUE.equals(given.maySurvey()));
                }
            }
            Optional<LocalDate> left =
                    given.leftOn() == null ? Optional.empty() : problems.day(words, given.leftOn(), at + "/leftOn");
            if (id > before.lastPerson()) {
                left.ifPresent(on -> tables.left(id, on.toString()));
            }
        }
        before.left().forEach((id, on) -> tables.left(id, on.toString()));
    }
}
