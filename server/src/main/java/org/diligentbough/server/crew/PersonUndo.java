package org.diligentbough.server.crew;

import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Somebody as they were before; who was taken off the list comes back to it, not to the days they were on. */
@Component
class PersonUndo extends Undoes {
    private final PeopleService people;

    PersonUndo(PeopleService people, JsonMapper json) {
        super("person", json);
        this.people = people;
    }

    @Override
    public void undo(Kept change) {
        Person was = was(change, Person.class);
        Person now = people.one(was.id());
        if (now.leftOn() != null) {
            people.comeBack(was.id(), now.version());
        } else {
            people.change(
                    was.id(),
                    now.version(),
                    new PersonData(was.name(), was.birthYear(), was.note(), was.tickets(), was.canCome()));
        }
    }
}
