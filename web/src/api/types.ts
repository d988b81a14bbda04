/** Names for what goes over the wire; the shapes are generated from the server's schema. */
import type { components, paths } from "./schema.gen";

type Schemas = components["schemas"];

export type Field = NonNullable<paths["/api/drawings/{id}/numbers"]["get"]["parameters"]["query"]>["field"];
export type Figure = Schemas["FigureView"];
export type Picture = Schemas["PictureView"];
export type ShelfPage = Schemas["ShelfView"];
export type Who = Schemas["WhoView"];
export type Me = Schemas["Me"];
export type Person = Schemas["PersonView"];
export type Team = Schemas["TeamView"];
export type Invitation = Schemas["InvitationView"];
export type History = Schemas["HistoryView"];
export type Happened = Schemas["HappenedView"];
export type PastState = Schemas["StateView"];
export type Difference = Schemas["DifferenceView"];
export type Sharing = Schemas["SharingView"];
export type ShareAsked = Schemas["Sharing"];
export type May = Schemas["SharingView"]["may"];
export type Drawing = Schemas["DrawingView"];
export type Step = Schemas["StepView"];
export type Copied = Schemas["CopiedView"];
export type Pointer = ReadRequest["pointer"];
export type Groups = Schemas["GroupsView"];
export type Book = Schemas["BookView"];
export type Header = Schemas["HeaderView"];
export type Reading = Schemas["ReadingView"];
export type Problem = Schemas["ProblemView"];
export type Declared = Schemas["DeclaredView"];
export type Line = Schemas["LineView"];
export type Solution = Schemas["SolutionView"];
export type Loose = Schemas["LooseView"];
export type Finding = Schemas["FindingView"];
export type Cause = Schemas["CauseView"];
export type PointTable = Schemas["TableView"];
export type DimensionCheck = Schemas["DimensionCheck"];
export type Sheet = Schemas["SheetView"];
export type SheetPart = Schemas["PlacedPart"];
export type SheetField = Schemas["FieldView"];
export type FileFormat = Schemas["FormatView"];
export type FileAsked = Schemas["FileAsked"];
export type FileLook = Required<Schemas["FileLook"]>;
export type FileFound = Schemas["FileFound"];
export type Working = Schemas["WorkingView"];
export type Outcome = Schemas["Outcome"];
export type Brush = Schemas["BrushView"];
export type Draft = Schemas["Draft"];
export type Backing = Schemas["BackingView"];
export type Placing = Schemas["Placing"];
export type FigureValue = Schemas["ValueView"];
export type Way = Schemas["WayView"];
export type Handle = Schemas["HandleView"];
export type Help = Schemas["HelpView"];
export type HelpKind = Schemas["HelpKind"];
export type Kind = Schemas["KindView"];
export type Pen = Schemas["PenView"];
export type SnapKind = Schemas["SnapKind"];
export type Snapping = Schemas["Snapping"];
export type Act = Schemas["ChangeRequest"]["act"];
export type ReadRequest = Schemas["ReadRequest"];
export type Hand = Omit<ReadRequest, "type" | "seq">;
export type WhereRequest = Schemas["WhereRequest"];
export type Ahead = Schemas["AheadView"];
export type Where = Required<Pick<WhereRequest, "at" | "selected" | "mending">>;
export type Other = Required<Schemas["OtherView"]>;
export type Opening = Schemas["Opening"];
export type DoRequest = Schemas["DoRequest"];
export type ServerMessage =
  | Book
  | Line
  | Schemas["Done"]
  | Schemas["RefusedView"]
  | Schemas["Standing"]
  | Schemas["Opening"]
  | { readonly type: "others"; readonly others: readonly Other[] }
  | Schemas["Gone"]
  | Schemas["BackingChanged"]
  | Schemas["Alive"]
  | Schemas["EchoView"];
