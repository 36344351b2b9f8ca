// Photographs on the phone: shrunk and drawn anew, which leaves behind where they were taken, and kept until the server has them.
const LONGEST = 1600;
const QUALITY = 0.82;

export async function shrink(file) {
  const whole = await createImageBitmap(file, { imageOrientation: "from-image" });
  const scale = Math.min(1, LONGEST / Math.max(whole.width, whole.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(whole.width * scale);
  canvas.height = Math.round(whole.height * scale);
  canvas.getContext("2d").drawImage(whole, 0, 0, canvas.width, canvas.height);
  whole.close();
  return new Promise((done, failed) =>
    canvas.toBlob((picture) => (picture ? done(picture) : failed(new Error("no picture"))), "image/jpeg", QUALITY),
  );
}

function store() {
  return new Promise((done, failed) => {
    const opening = indexedDB.open("site", 1);
    opening.onupgradeneeded = () => opening.result.createObjectStore("photographs", { keyPath: "id" });
    opening.onsuccess = () => done(opening.result);
    opening.onerror = () => failed(opening.error);
  });
}

async function inStore(mode, act) {
  const db = await store();
  try {
    return await new Promise((done, failed) => {
      const transaction = db.transaction("photographs", mode);
      const asked = act(transaction.objectStore("photographs"));
      transaction.oncomplete = () => done(asked.result);
      transaction.onerror = transaction.onabort = () => failed(transaction.error);
    });
  } finally {
    db.close();
  }
}

export const keepPhoto = (photo) => inStore("readwrite", (photos) => photos.put(photo));
export const dropPhoto = (id) => inStore("readwrite", (photos) => photos.delete(id));
export const photosOf = async (job) =>
  (await inStore("readonly", (photos) => photos.getAll())).filter((p) => p.job === job).sort((a, b) => a.at.localeCompare(b.at));
