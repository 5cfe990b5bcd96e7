import { fold } from './fold';
import { departmentHeads, departmentTopics } from './tables/departmentWords';

/** Whether a text by itself names a part of a firm: "Purchasing", "Abteilung Einkauf". */
export function isDepartment(text: string): boolean {
  const plain = fold(text).trim();
  return departmentTopics.has(plain) || plain.split(/\s+/).some((word) => departmentHeads.has(word));
}
