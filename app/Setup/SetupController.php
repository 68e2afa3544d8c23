<?php

declare(strict_types=1);

namespace App\Setup;

use App\Bench\ChoiceCard;
use App\Logbook\Board;
use App\Logbook\Job;
use Ash\Document\Shape;
use Ash\Setup\CableDrive;
use Ash\Setup\CableSaid;
use Ash\Setup\ChainSaid;
use Ash\Setup\DescribedSetup;
use Ash\Setup\GenericDevice;
use Ash\Setup\KnownBlock;
use Ash\Setup\Problem;
use Ash\Setup\ScsiPlace;
use Ash\Setup\Seen;
use Ash\Setup\SettingSaid;
use Ash\Setup\SetupSheet;
use Ash\Setup\Takes;
use Ash\Setup\WayToStand;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final readonly class SetupController
{
    private const BOARDS = 50;

    #[OA\Get(path: '/jobs/{job}/setup', operationId: 'showSetup', tags: ['setup'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'what is set, what clashes, the ways out', content: new OA\JsonContent(ref: SetupPage::class))])]
    public function show(Job $job): JsonResponse
    {
        $sheet = SetupRoom::sheet($job);
        $keys = array_map(static fn (SettingSaid $it): string => $it->key(), $sheet->settings ?? []);
        $known = array_values(array_filter(
            $job->profile()->section(DescribedSetup::class)->blocks ?? [],
            static fn (KnownBlock $it): bool => !in_array($it->key(), $keys, true),
        ));
        $generic = self::library();
        $blocks = [...$known, ...array_merge(...array_map(static fn (GenericDevice $it): array => $it->blocks(), $generic))];
        $wrong = SetupRoom::wrong(array_values(array_unique([...$keys, ...array_map(static fn (KnownBlock $it): string => $it->key(), $blocks)])));
        $setting = static fn (SettingSaid $it): SettingCard => self::setting($it, $wrong[$it->key()] ?? []);
        $block = static fn (KnownBlock $it): KnownBlockCard => self::block($it, $wrong[$it->key()] ?? []);

        return new JsonResponse(new SetupPage(
            job_id: $job->id,
            job_label: $job->label(),
            job_title: $job->title,
            open: $job->state === 'open',
            settings: array_map($setting, $sheet->settings ?? []),
            held: $sheet === null ? [] : self::held($sheet),
            clashes: $sheet?->clashes() ?? [],
            plans: array_map(static fn (array $plan): SetupPlan => new SetupPlan(array_map(static fn (array $it): SettingMove => new SettingMove(
                $setting($it[0]),
                $it[1],
                "{$it[0]->block} of {$it[0]->device}: from {$it[0]->stands()->words()} to {$it[0]->options[$it[1]]->words()}",
            ), $plan)), $sheet?->plans() ?? []),
            reasons: $sheet->found->reasons ?? [],
            example: SettingSaid::EXAMPLE,
            chain: $sheet?->chain === null ? null : self::chain($sheet->chain),
            cable: $sheet?->cable === null ? null : self::cable($sheet->cable),
            seen: array_map(
                static fn (Seen $it): SeenCard => new SeenCard($it->reported->sentence(''), $it->agrees(), $it->differs, $it->agrees() ? '' : $it->means()),
                $sheet?->seen() ?? [],
            ),
            known: array_map($block, $known),
            generic: array_map(
                static fn (GenericDevice $it): GenericDeviceCard => new GenericDeviceCard($it->name, $it->what, $it->source, array_map($block, $it->blocks())),
                $generic,
            ),
            takes: array_map(static fn (Takes $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), Takes::cases()),
            moves: $sheet?->moves() ?? [],
            devices: self::devices($job, $sheet),
            clear: $sheet !== null && $sheet->said() > 1 && $sheet->clashes() === [],
        ));
    }

    /** @return list<string> */
    private static function devices(Job $job, ?SetupSheet $sheet): array
    {
        $boards = Board::query()->where('machine_id', $job->machine_id)->whereNull('merged_into')->orderBy('name')->limit(self::BOARDS)->pluck('name')->all();
        $said = array_map(static fn (SettingSaid $it): string => $it->device, $sheet->settings ?? []);

        return array_values(array_unique([...$said, ...array_filter($boards, is_string(...))]));
    }

    /** @return list<GenericDevice> */
    private static function library(): array
    {
        return once(static fn (): array => GenericDevice::library((string) file_get_contents(database_path('library/devices.json'))));
    }

    /** @param list<string> $wrong */
    private static function setting(SettingSaid $it, array $wrong): SettingCard
    {
        return new SettingCard(
            device: $it->device, block: $it->block, takes: $it->takes->value, takes_words: $it->takes->words(), options: self::ways($it->options),
            at: $it->at, length: $it->length, says: $it->sentence(''), wrong: $wrong,
        );
    }

    /** @param list<string> $wrong */
    private static function block(KnownBlock $it, array $wrong): KnownBlockCard
    {
        return new KnownBlockCard(
            device: $it->device, block: $it->block, takes: $it->takes->value, takes_words: $it->takes->words(), options: self::ways($it->options),
            length: $it->length, source: $it->source, line: $it->line(), wrong: $wrong,
        );
    }

    /**
     * @param list<WayToStand> $ways
     *
     * @return list<SettingWay>
     */
    private static function ways(array $ways): array
    {
        return array_map(static fn (WayToStand $one): SettingWay => new SettingWay($one->value, $one->pins, $one->words()), $ways);
    }

    private static function chain(ChainSaid $it): CableCard
    {
        $wrong = array_merge(...array_map(static fn (Problem $one): array => $one->names, $it->scsi()->problems()));

        return new CableCard(
            says: $it->sentence(''),
            devices: array_map(static fn (ScsiPlace $one): HangingCard => new HangingCard(
                name: $one->name, stands: "id {$one->id}", marks: implode(', ', array_filter([
                    $one->host === true ? 'host' : null, $one->boot === true ? 'starts from it' : null, $one->terminated ? 'terminated' : null,
                ])),
                host: $one->host === true, twist: false, ends: $one->terminated, wrong: in_array($one->name, $wrong, true),
            ), $it->chain),
            problems: array_map(static fn (Problem $one): string => $one->text, $it->scsi()->problems()),
            moves: $it->moves(),
            mended: (object) Shape::of(ChainSaid::class)->write($it->mended()),
        );
    }

    private static function cable(CableSaid $it): CableCard
    {
        $problems = $it->floppy()->problems();
        $wrong = array_merge(...array_map(static fn (Problem $one): array => $one->names, $problems));
        $behind = false;
        $devices = [new HangingCard(
            name: 'host', stands: $it->host->units === 1 ? 'one unit' : "{$it->host->units} units",
            marks: $it->host->pin34 === null ? '' : "waits for {$it->host->pin34->value}", host: true, twist: false, ends: false, wrong: false,
        )];
        foreach ($it->floppy()->drives as $i => $drive) {
            $one = $it->drives[$i];
            $devices[] = new HangingCard(
                name: $one->name, stands: "unit {$drive->unit()}, select {$one->select}", marks: self::marks($one), host: false,
                twist: $one->behindTwist && !$behind, ends: $one->terminated === true, wrong: in_array($one->name, $wrong, true),
            );
            $behind = $one->behindTwist;
        }

        return new CableCard(
            says: $it->sentence(''), devices: $devices, problems: array_map(static fn (Problem $one): string => $one->text, $problems),
            moves: $it->moves(), mended: (object) Shape::of(CableSaid::class)->write($it->mended()),
        );
    }

    private static function marks(CableDrive $it): string
    {
        return implode(', ', array_filter([
            $it->terminated === true ? 'terminated' : null, $it->pin34 === null ? null : "says {$it->pin34->value}",
        ]));
    }

    /** @return list<SetupHeld> */
    private static function held(SetupSheet $sheet): array
    {
        $cards = [];
        foreach (Takes::cases() as $takes) {
            $held = array_values(array_filter($sheet->held(), static fn (array $it): bool => $it[0] === $takes));
            $held === [] || $cards[] = new SetupHeld(
                $takes->words(),
                array_map(static fn (array $it): string => "{$it[1]}: {$it[2]} ({$it[3]})", $held),
                array_map(strval(...), $sheet->free($takes)),
            );
        }

        return $cards;
    }
}
