import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { currentPersonId, setCurrentPersonId } from '../api/client';
import { store } from '../field/store';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAddPerson, usePeople } from './queries';
import { Icon } from '../parts/Icon';
import { keepUnits, showIn, unitsOf } from '../parts/measure';

/** Who is at work: picked by name for now. Nothing else can be done before somebody is. */
export function PersonPicker() {
  const queries = useQueryClient();
  const people = usePeople();
  const [picked, setPicked] = useState(currentPersonId());
  const [asking, setAsking] = useState(false);
  const [name, setName] = useState('');
  const person = people.data?.find((one) => String(one.id) === picked);
  const pick = (id: number) => {
    setCurrentPersonId(id);
    void store.keepPerson(String(id)).catch(() => undefined);
    showIn(unitsOf(String(id)));
    setPicked(String(id));
    setAsking(false);
    // What was refused while nobody was named is asked for again.
    void queries.invalidateQueries();
  };
  const add = useAddPerson();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate(name, { onSuccess: (added) => pick(added.id) });
  };
  // Without signal the list may be older than the name that was picked: nobody is locked out for that.
  const unknown = !picked || (!person && navigator.onLine);
  const open = people.isSuccess && (asking || unknown);
  return (
    <>
      {person && (
        <Button size="sm" variant="outline-light" onClick={() => setAsking(true)}>
          <Icon name="person" /> {person.name}
        </Button>
      )}
      <Modal
        show={open}
        onHide={() => setAsking(false)}
        backdrop={person ? true : 'static'}
        keyboard={!!person}
      >
        <Modal.Header closeButton={!!person}>
          <Modal.Title as="h1">Who is at work?</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <p>Every change is written down with who made it.</p>
          {people.data && people.data.length > 0 && (
            <div className="chips mb-3">
              {people.data.map((one) => (
                <button key={one.id} type="button" aria-pressed={one === person} onClick={() => pick(one.id)}>
                  {one.name}
                </button>
              ))}
            </div>
          )}
          <Form onSubmit={submit}>
            <Form.Label htmlFor="person-name">
              {people.data?.length ? 'Somebody else' : 'Your name'}
            </Form.Label>
            <div className="d-flex gap-2">
              <Form.Control
                id="person-name"
                value={name}
                maxLength={80}
                placeholder="Name"
                onChange={(e) => setName(e.target.value)}
              />
              <Button type="submit" className="text-nowrap" disabled={!name.trim() || add.isPending}>
                That’s me
              </Button>
            </div>
          </Form>
          <ProblemAlert error={add.error} />
          {person && (
            <fieldset className="walk-field mt-3">
              <legend>Lengths and weights in</legend>
              <div className="chips">
                {(['metric', 'imperial'] as const).map((units) => (
                  <button
                    key={units}
                    type="button"
                    aria-pressed={unitsOf(picked) === units}
                    onClick={() => {
                      keepUnits(picked, units);
                      // Everything shown is read anew: sentences come from the server in these units.
                      window.location.reload();
                    }}
                  >
                    {units === 'metric' ? 'metres, kilos' : 'feet, inches, pounds'}
                  </button>
                ))}
              </div>
            </fieldset>
          )}
        </Modal.Body>
      </Modal>
    </>
  );
}
