package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The people who work here. */
@RestController
@RequestMapping("/api/people")
public class People {
    private final PersonMapper mapper;

    People(PersonMapper mapper) {
        this.mapper = mapper;
    }

    /** A named person. */
    public record Person(long id, String name) {}

    /** A person to be added. */
    public record NewPerson(
            @NotBlank(message = "is missing; give a name") @Size(max = 80, message = "is longer than 80 letters")
            String name) {}

    @GetMapping
    List<Person> people() {
        return mapper.all();
    }

    /** Adds a person, or answers with the one who bears the name already. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Person addPerson(@Valid @RequestBody NewPerson person) {
        return mapper.named(person.name().strip());
    }

    /** The people table. */
    @Mapper
    public interface PersonMapper {
        @Select("select id, name from person order by name")
        List<Person> all();

        @Select("select id, name from person where id = #{id}")
        Optional<Person> find(long id);

        /** The person of that name, added if there is none. */
        @Select(
                value =
                        "insert into person (name) values (#{name}) on conflict (name) do update set name = excluded.name returning id, name",
                affectData = true)
        Person named(String name);
    }
}
