import { SHEETS, type SheetName } from "@/core/chart/layout";
import { isToldApart, LONGEST_PASSWORD, SHORTEST_PASSWORD } from "./person";
import { Name, Nullable, OneOf, Optional, Rule, Text, Within } from "./fields";

/** What people may do in a studio: everything and let others in; work; look. */
export const ROLES = ["owner", "member", "viewer"] as const;
export const UNITS = ["mm", "in"] as const;
/** The hand that colours. */
export const HANDS = ["right", "left"] as const;

const Sheet = () => OneOf(Object.keys(SHEETS));

class SettingsInput {
  @Optional() @OneOf(UNITS) units?: (typeof UNITS)[number];
  @Optional() @Sheet() sheet?: SheetName;
  @Optional() @OneOf(HANDS) hand?: (typeof HANDS)[number];
  /** mm² of one coat a second; seconds to change markers. */
  @Optional() @Within(1, 500, "mm² a second") speed?: number;
  @Optional() @Within(0, 120, "seconds") change?: number;
}

/** What changes about a studio. */
export class StudioFactsInput extends SettingsInput {
  @Optional() @Name() name?: string;
}

export class NewStudioInput extends SettingsInput {
  @Name() name!: string;
}

/** A studio is removed by somebody who can say what it is called. */
export class RemoveStudioInput {
  @Name() name!: string;
}

const Password = () =>
  Rule(
    `expected a password of ${SHORTEST_PASSWORD} to ${LONGEST_PASSWORD} characters`,
    (v) => typeof v === "string" && v.length >= SHORTEST_PASSWORD && v.length <= LONGEST_PASSWORD,
  );

const NAME = /^[\p{L}\p{N}][\p{L}\p{N} ._-]{0,38}[\p{L}\p{N}]$/u;

/** The name by which somebody signs in. */
const PersonName = () =>
  Rule(
    "expected a name of 2 to 40 letters and digits of one script, with spaces, dots, hyphens and underlines between",
    (v) => typeof v === "string" && NAME.test(v) && isToldApart(v),
  );

/** A new account. `code` is that of the server's set-up or of an invitation. */
export class NewPersonInput {
  @PersonName() name!: string;
  @Password() password!: string;
  @Optional() @Text(200) code?: string;
}

/** What is typed to sign in may be anything: it is right or it is not. */
export class SignInInput {
  @Text(200, 1) name!: string;
  @Text(LONGEST_PASSWORD, 1) password!: string;
}

export class RecoverInput {
  @Text(200, 1) name!: string;
  @Text(100, 1) code!: string;
  @Password() password!: string;
}

export class ChangePasswordInput {
  @Text(LONGEST_PASSWORD, 1) current!: string;
  @Password() next!: string;
}

export class ConfirmInput {
  @Text(LONGEST_PASSWORD, 1) password!: string;
}

export class InviteInput {
  @OneOf(ROLES) role!: (typeof ROLES)[number];
}

export class JoinInput {
  @Text(200, 1) code!: string;
}

export class ChangeMemberInput {
  /** None to take the person out. */
  @Nullable() @OneOf(ROLES) role!: (typeof ROLES)[number] | null;
}
