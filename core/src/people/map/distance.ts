/** A place on the earth in degrees (WGS 84). */
export interface At {
  lat: number;
  lon: number;
}

/** Mean radius of the earth in kilometres (IUGG). */
const RADIUS_KM = 6371.0088;
const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Kilometres between two places as the crow flies (haversine). */
export function kilometres(one: At, other: At): number {
  const [dLat, dLon] = [radians(other.lat - one.lat), radians(other.lon - one.lon)];
  const h =
    Math.sin(dLat / 2) ** 2 + Math.cos(radians(one.lat)) * Math.cos(radians(other.lat)) * Math.sin(dLon / 2) ** 2;
  return 2 * RADIUS_KM * Math.asin(Math.min(1, Math.sqrt(h)));
}
