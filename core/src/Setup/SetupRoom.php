<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Facts\OpenThing;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\LeadingWord;
use Ash\Logbook\OpenKind;
use Ash\Logbook\Room;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\Suspect;
use Ash\Logbook\Urgency;

/** What jumpers, cables, drives and disks bring to the house. */
final readonly class SetupRoom extends Room
{
    public function name(): string
    {
        return 'setup';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(SettingSaid::KIND, 'setting', SettingSaid::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(ChainSaid::KIND, 'SCSI chain', ChainSaid::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(CableSaid::KIND, 'floppy cable', CableSaid::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(Reported::KIND, 'what the machine reports', Reported::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(DriveSaid::KIND, 'drive', DriveSaid::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(DriveTried::KIND, 'attempt at a drive', DriveTried::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(DiskCopied::KIND, 'disk copied', DiskCopied::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(DriveDamages::KIND, 'drive damages disks', DriveDamages::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(DriveProven::KIND, 'drive with a scratch disk', DriveProven::class, attack: 'setup', stage: Stage::Find),
            new EntryKind(SourceWrong::KIND, 'source that is wrong', SourceWrong::class, attack: 'setup', stage: Stage::Find),
        ];
    }

    public function lines(): array
    {
        return [
            new LeadingWord(['setting', 'jumper'], SettingSaid::said(...), ['setting' => SettingSaid::LINE]),
            new LeadingWord(['chain'], ChainSaid::said(...), ['chain' => ChainSaid::LINE]),
            new LeadingWord(['cable'], CableSaid::said(...), ['cable' => CableSaid::LINE]),
            new LeadingWord(['reports'], Reported::said(...), ['reports' => Reported::LINE]),
            new LeadingWord(['drive'], DriveSaid::said(...), ['drive' => DriveSaid::LINE]),
            new LeadingWord(['attempt'], DriveTried::said(...), ['attempt' => DriveTried::LINE]),
            new LeadingWord(['copied'], DiskCopied::said(...), ['copied' => DiskCopied::LINE]),
            new LeadingWord(['damages'], DriveDamages::said(...), ['damages' => DriveDamages::LINE]),
            new LeadingWord(['proven'], DriveProven::said(...), ['proven' => DriveProven::LINE]),
            new LeadingWord(['wrong'], SourceWrong::said(...), ['wrong' => SourceWrong::LINE]),
        ];
    }

    public function openKinds(): array
    {
        return [new OpenKind(DriveDamages::OPEN, 'Drive that damages disks', urgent: true)];
    }

    public function section(): SetupSection
    {
        return new SetupSection();
    }

    public function findings(Situation $at): Findings
    {
        $damages = $at->open(DriveDamages::OPEN);
        $change = DiskChange::heard((string) $at->symptom);

        return Findings::together([
            self::ofSheet($at->facts->last(SetupSheet::class)),
            self::ofDisks($at->facts->last(Disks::class)),
            new Findings(
                suspects: $change ? [new Suspect(DiskChange::SUSPECT, 'a disk is seen only when it was in at power-on, or a changed one is not noticed')] : [],
                steps: [
                    ...array_map(static fn (OpenThing $it): Step => new Step(
                        "{$it->text}: clean both heads and let a scratch disk pass, before another disk goes in.",
                        'it would damage the next one too', 'disks',
                        Urgency::BeforeLeaving, minutes: 15.0,
                    ), $damages),
                    ...($change ? [new Step(DiskChange::STEP, 'the symptom is the classic one of it', 'setup', minutes: 5.0)] : []),
                ],
            ),
        ]);
    }

    private static function ofSheet(?SetupSheet $sheet): Findings
    {
        $clashes = $sheet?->clashes() ?? [];
        $way = [...($sheet?->firstWay() ?? []), ...($sheet?->moves() ?? [])];
        $differs = array_values(array_filter($sheet?->seen() ?? [], static fn (Seen $it): bool => !$it->agrees()));

        return $sheet === null ? new Findings() : new Findings(
            known: $clashes === [] && $sheet->said() > 0 ? [$sheet->words().' written down'.($sheet->said() > 1 ? ', nothing clashes' : '')] : [],
            suspects: [
                ...array_map(
                    static fn (string $it): Suspect => new Suspect($it, $way === [] ? 'no setting of them keeps them apart' : implode(', ', $way)),
                    $clashes,
                ),
                ...array_map(static fn (Seen $it): Suspect => new Suspect(implode('; ', $it->differs), $it->means()), $differs),
            ],
            steps: [
                ...($way === [] ? [] : [new Step(ucfirst(implode(', then ', $way)).'.', $clashes[0] ?? '', 'setup', minutes: 5.0 * count($way))]),
                ...array_map(
                    static fn (Seen $it): Step => new Step('Look again: '.$it->because[0].'?', $it->differs[0], 'setup', minutes: 3.0),
                    array_values(array_filter($differs, static fn (Seen $it): bool => $it->because !== [])),
                ),
            ],
        );
    }

    private static function ofDisks(?Disks $disks): Findings
    {
        return $disks === null ? new Findings() : new Findings(
            known: array_map(static fn (DriveTried $it): string => "best way so far, {$it->sentence('')}", $disks->best()),
            steps: array_map(static fn (string $it): Step => new Step(
                "Image {$it} first, once; then let it rest.", 'a drive that sounds bad is read once, early, then set aside', 'disks',
            ), $disks->noisy()),
        );
    }

    public function verbs(): array
    {
        return [
            'assign' => new Verb(
                'devices that hold the same thing, and the fewest settings to move',
                self::ASSIGN_FIELDS,
                self::ASSIGN_EXAMPLE,
                self::assign(...),
            ),
            'scsi' => new Verb('ids and terminators along a SCSI chain', self::SCSI_FIELDS, self::SCSI_EXAMPLE, self::scsi(...)),
            'floppy' => new Verb('which unit each floppy drive is, and what is wrong with it', self::FLOPPY_FIELDS, self::FLOPPY_EXAMPLE, self::floppy(...)),
            'geometry' => new Verb(
                'how large a fixed disk is, and what of it old limits hide',
                self::GEOMETRY_FIELDS,
                self::GEOMETRY_EXAMPLE,
                self::geometry(...),
            ),
            'disk' => new Verb('whether medium, format and drive go together', self::DISK_FIELDS, self::DISK_EXAMPLE, self::disk(...)),
            'letters' => new Verb(
                'which letter comes out for which drive',
                self::LETTERS_FIELDS,
                self::LETTERS_EXAMPLE,
                static fn (Node $node): array => ['letters' => Letters::read($node)],
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function assign(Node $node): array
    {
        $found = Assign::read($node)->found();

        return [
            'proved' => $found->proved, 'conflicts' => $found->conflicts, 'solvable' => $found->solvable, 'changes_needed' => $found->changesNeeded,
            'plans' => array_map(static fn (array $it): array => ['changes' => $it], $found->plans), 'core' => $found->core, 'reasons' => $found->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function scsi(Node $node): array
    {
        $it = Scsi::read($node);

        return ['problems' => array_map(self::problem(...), $it->problems()), 'changes' => $it->changes(), 'reasons' => self::said($it->problems())];
    }

    /** @return array<string, mixed> */
    private static function floppy(Node $node): array
    {
        $it = Floppy::read($node);

        return [
            'drives' => array_map(static fn (FloppyDrive $drive): array => ['name' => $drive->name, 'unit' => $drive->unit()], $it->drives),
            'problems' => array_map(self::problem(...), $it->problems()), 'changes' => $it->changes(),
            'reasons' => [...self::said($it->problems()), ...($it->changes() === null ? ['there are more drives than units'] : [])],
        ];
    }

    /** @return array<string, mixed> */
    private static function problem(Problem $it): array
    {
        return ['code' => $it->code, 'names' => $it->names, 'text' => $it->text];
    }

    /**
     * @param list<Problem> $problems
     *
     * @return list<string>
     */
    private static function said(array $problems): array
    {
        return $problems === [] ? ['nothing is wrong with it'] : array_map(static fn (Problem $it): string => $it->text, $problems);
    }

    /** @return array<string, mixed> */
    private static function geometry(Node $node): array
    {
        $it = Geometry::read($node);

        return [
            'bytes' => $it->bytes(), 'mb' => $it->mb(), 'mib' => $it->mib(), 'label_agrees' => $it->labelAgrees(), 'barriers' => $it->barriers(),
            'best_type' => $it->bestType(), 'reasons' => $it->reasons(),
        ];
    }

    /** @return array<string, mixed> */
    private static function disk(Node $node): array
    {
        $it = Disk::read($node);

        return [
            'bytes' => $it->bytes, 'kib' => $it->bytes / 1024, 'needs_density' => $it->needs?->value, 'reads' => $it->reads->value,
            'writes' => $it->writes->value,
            'reasons' => $it->reasons,
        ];
    }

    private const ASSIGN_FIELDS = <<<'TEXT'
        devices[]    name; settings[] name, at (the option it stands on), fixed? (false), options[] name, claims[]
        claims[]     resource and at (a name or a whole number), or resource, base, length, repeats_every? (the same range again, while below 65536)
        reserved?[]  by, claims[]; shared?[] resource, at
        gives        proved, conflicts[], solvable, changes_needed, plans[] (the ways with the fewest changes, at most 10), core[] (devices that cannot live
                     together), reasons[]
        TEXT;
    private const ASSIGN_EXAMPLE = <<<'JSON'
        {"devices": [{"name": "sound", "settings": [{"name": "irq", "at": "5", "options": [{"name": "5", "claims": [{"resource": "irq", "at": 5}]},
          {"name": "7", "claims": [{"resource": "irq", "at": 7}]}]}]},
                     {"name": "network", "settings": [{"name": "irq", "at": "5", "options": [{"name": "5", "claims": [{"resource": "irq", "at": 5}]}]}]}]}
        JSON;
    private const SCSI_FIELDS = <<<'TEXT'
        bus          wide? (false), kind? single_ended|differential, length_m? (m), boots_from?[] ids in the order in which the host tries them
        chain[]      in cable order: name, host? (exactly one), id, terminated, boot? (false)
        gives        problems[] code, names[], text; changes[] name, what id|termination, from, to; reasons[]
        TEXT;
    private const SCSI_EXAMPLE = <<<'JSON'
        {"bus": {}, "chain": [{"name": "host", "host": true, "id": 7, "terminated": true}, {"name": "disk", "id": 0, "terminated": true},
          {"name": "scanner", "id": 0, "terminated": false}]}
        JSON;
    private const FLOPPY_FIELDS = <<<'TEXT'
        host         units (1 to 4), pin34? ready|change|any
        drives[]     along the cable: name, select (0 to 3), behind_twist, terminated?, pin34? ready|change
        gives        drives[] name, unit; problems[] code, names[], text; changes[] name, from, to of select, or null; reasons[]
        TEXT;
    private const FLOPPY_EXAMPLE = '{"host": {"units": 2, "pin34": "change"}, "drives": [{"name": "near", "select": 1, "behind_twist": '
        .'false}, {"name": "far", "select": 1, "behind_twist": true, "pin34": "ready"}]}';
    private const GEOMETRY_FIELDS = <<<'TEXT'
        cylinders, heads, sectors, bytes_per_sector? (512), label_mb? (as sold), types?[] type, cylinders, heads, sectors
        gives        bytes, mb (10^6), mib (2^20), label_agrees, barriers[] name, limit_bytes, lost_bytes; best_type type, bytes, lost_bytes or null; reasons[]
        TEXT;
    private const GEOMETRY_EXAMPLE = '{"cylinders": 615, "heads": 4, "sectors": 17, "label_mb": 20}';
    private const DISK_FIELDS = <<<'TEXT'
        medium       size 3.5|5.25|8 (text), density sd|dd|hd
        format       tracks (a side), sides, sectors, bytes (a sector), encoding? fm|mfm (mfm); or tracks, sides, zones[] tracks, sectors, and bytes
        drive        size, tracks 35|40|77|80, sides, density; last_written_tracks? 35|40|77|80
        gives        bytes, kib, needs_density, reads, writes yes|with_care|no, reasons[]
        TEXT;
    private const DISK_EXAMPLE = <<<'JSON'
        {"medium": {"size": "5.25", "density": "dd"}, "format": {"tracks": 40, "sides": 2, "sectors": 9, "bytes": 512},
         "drive": {"size": "5.25", "tracks": 80, "sides": 2, "density": "hd"}}
        JSON;
    private const LETTERS_FIELDS = <<<'TEXT'
        floppies     0 to 4
        disks[]      name, primary 0|1, logical 0 to 23
        gives        letters[] letter, what
        TEXT;
    private const LETTERS_EXAMPLE = '{"floppies": 1, "disks": [{"name": "disk 1", "primary": 1, "logical": 1}, {"name": "disk 2", '
        .'"primary": 1, "logical": 0}]}';
}
