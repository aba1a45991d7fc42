package org.diligentbough.server.crew;

import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Somebody as they were before; who was taken off the list comes back to it, not to the days they were on. */
@Component
class PersonUndo implements Undoes {
    private final PeopleService people;
    private final JsonMapper json;

    PersonUndo(PeopleService people, JsonMapper json) {
        this.people = people;
        this.json = json;
    }

    @Override
    public String entity() {
        return "person";
    }

    @Override
    public boolean can(Kept change) {
        return change.before() != null;
    }

    @Override
    public void undo(Kept change) {
        Person was = json.treeToValue(change.before(), Person.class);
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
