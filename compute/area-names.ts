import { Name } from "@/border/fields";
import { AreaId, type AreaIdInput } from "./grounds";

/** What an area is called. */
export class Names {
  @AreaId() id!: AreaIdInput;
  @Name() name!: string;
}
