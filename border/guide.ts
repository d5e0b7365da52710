import { List, Numbers, Text } from "./fields";
import { MOST_AREAS } from "./piece";

/** Where an area lies in a picture: left, top, right and bottom in shares of it. */
export class AreaBoxInput {
  @Text(60, 1) id!: string;
  @Numbers(4, 0, 1) box!: [number, number, number, number];
}

/** Where the areas of a guide lie in its picture. */
export class BoxesInput {
  @List(() => AreaBoxInput, 0, MOST_AREAS, '{"id","box"}') areas!: AreaBoxInput[];
}
