// What a phone held in the first form of its store: a walk and a photo that wait to be sent.
async ({ site, tree, person }) => {
  const db = await new Promise((done, failed) => {
    const opening = indexedDB.open('bough-field', 1);
    opening.onupgradeneeded = () => {
      opening.result.createObjectStore('drafts', { keyPath: 'treeId' });
      opening.result.createObjectStore('surveys', { keyPath: 'key' });
      opening.result.createObjectStore('photos', { keyPath: 'key' });
    };
    opening.onsuccess = () => done(opening.result);
    opening.onerror = () => failed(opening.error);
  });
  const sheet = new OffscreenCanvas(64, 48);
  sheet.getContext('2d').fillRect(0, 0, 30, 30);
  const picture = await sheet.convertToBlob({ type: 'image/jpeg' });
  const put = db.transaction(['surveys', 'photos'], 'readwrite');
  put.objectStore('surveys').put({
    key: '0b9f6a0e-3d49-4c6e-9a57-5d7c3c1f0a01',
    treeId: tree,
    siteId: site,
    tag: 'U-1',
    person: String(person),
    basedOn: 0,
    survey: {
      surveyedOn: '2027-02-20',
      tree: { heightM: 5, spreadM: 4, trunkGirthCm: 80 },
      limbs: [],
      surroundings: [],
    },
  });
  put.objectStore('photos').put({
    key: '0b9f6a0e-3d49-4c6e-9a57-5d7c3c1f0a02',
    treeId: tree,
    person: String(person),
    takenOn: '2027-02-20',
    spot: 'from the south',
    picture,
  });
  await new Promise((done) => (put.oncomplete = done));
  db.close();
};
