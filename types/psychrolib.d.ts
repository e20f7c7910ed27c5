declare module 'psychrolib' {
  const psychro: {
    SetUnitSystem(system: unknown): void;
    SI: unknown;
    GetDryAirDensity(t_C: number, pressure_Pa: number): number;
    GetStandardAtmPressure(altitude_m: number): number;
  };
  export default psychro;
}
