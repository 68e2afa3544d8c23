<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Http\Once;
use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\BoardKinds;
use Ash\Logbook\IntakeLine;
use Ash\Logbook\LogbookRoom as Core;
use Ash\Logbook\Profile;
use Carbon\CarbonImmutable;
use Illuminate\Database\UniqueConstraintViolationException;
use Symfony\Component\Uid\Ulid;

/**
 * A machine is taken in with one request: the kind when nobody has seen one before, the machine, its boards, the job and the symptom, all or
 * nothing, and once however often it is sent.
 */
final readonly class TakeIn
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE;

    /** Of a name that somebody else takes at the same moment. */
    private const TRIES = 3;

    /** @return array{Job, bool} the job, and whether it is new */
    public static function with(TakeInBody $it, Person $who): array
    {
        $at = CarbonImmutable::instance($it->at)->utc();
        if ($at->greaterThan(now()->addDay())) {
            throw InvalidDocument::at('/at', 'lies more than a day ahead: check the clock of this device');
        }
        for ($try = 1;; ++$try) {
            try {
                return Once::made(static fn (): ?Job => self::known($it), static fn (): Job => self::make($it, $who, $at));
            } catch (UniqueConstraintViolationException|Conflict $taken) {
                // The same intake may have come a moment before, with a machine of its own: then that one's job is the answer.
                $known = self::known($it);
                if ($known !== null) {
                    return [$known, false];
                }
                $try < self::TRIES || throw $taken;
            }
        }
    }

    private static function known(TakeInBody $it): ?Job
    {
        $job = Job::query()->find($it->id);

        return $job === null || ($job->title === self::title($it) && $job->owner === self::owner($it))
            ? $job
            : throw Conflict::at('/id', 'another job has this id');
    }

    private static function make(TakeInBody $it, Person $who, CarbonImmutable $at): Job
    {
        $machine = self::machine($it, $who);
        $board = $it->board === null
            ? MachineController::inOrder($machine)[0]
            : Board::query()->where('machine_id', $machine->id)->find($it->board) ?? throw InvalidDocument::at('/board', 'is not a board of this machine');
        [$job] = OpenJob::with(new Intake(
            id: $it->id,
            board: $board,
            title: self::title($it),
            owner: self::owner($it),
            at: $at,
            allowanceMinutes: $it->allowanceMinutes,
        ), $machine);
        if ($it->symptom !== null) {
            $draft = House::here()->hall->draft(Node::of((object) [
                'id' => Ulid::generate(), 'at' => $at->format(Cards::EXACT), 'kind' => Core::SYMPTOM, 'text' => $it->symptom,
            ]));
            Append::to($job->id, $draft, $who);
        }

        return $job;
    }

    private static function machine(TakeInBody $it, Person $who): Machine
    {
        if ($it->machine !== null) {
            $machine = Machine::query()->find($it->machine) ?? throw InvalidDocument::at('/machine', 'there is no such machine');
            $it->serial === null || $machine->serial !== null || $machine->update(['serial' => $it->serial]);

            return $machine;
        }
        $kind = $it->kind === null ? null : Kind::query()->find($it->kind) ?? throw InvalidDocument::at('/kind', 'there is no such kind');
        $name = $it->name ?? $kind->name ?? throw InvalidDocument::at('/name', 'must say what it is');
        if ($it->serial !== null && $kind !== null && Machine::query()->where('kind_id', $kind->id)->where('serial', $it->serial)->exists()) {
            throw InvalidDocument::at('/serial', 'a machine of this kind with this serial is known: choose it');
        }
        $slug = self::free(IntakeLine::slug($name));
        $kind ??= self::unseen($name, $slug, $who, $it->alone);
        if ($it->alone || $kind->of_board) {
            $machine = Machine::query()->create(['slug' => $slug, 'name' => $name, 'kind_id' => $kind->id, 'bare' => true]);
            Board::query()->create(['machine_id' => $machine->id, 'slot' => BoardKinds::PLACE, 'name' => $name, 'serial' => $it->serial,
                'kind_id' => $kind->of_board ? $kind->id : null]);
        } else {
            $machine = SaveProfile::specimen($kind, $kind->readProfile(), $name, $slug);
        }
        $machine->update(['serial' => $it->serial, 'owner' => $it->owner]);

        return $machine;
    }

    /** A kind of which nothing is known but a name: the description is what remains of the work. */
    private static function unseen(string $name, string $slug, Person $who, bool $alone): Kind
    {
        $json = json_encode([
            'format' => Profile::FORMAT, 'slug' => $slug, 'name' => $name, 'kind' => $alone ? 'a board, not described yet' : 'not described yet',
            'boards' => [['key' => 'main', 'name' => $alone ? $name : 'Main board']], 'rails' => [],
        ], self::FLAGS)."\n";

        return SaveProfile::kind(House::here()->hall->profile(Node::parse($json)), $json, $who->name, $alone);
    }

    /** A name in addresses that neither a kind nor a machine has. */
    public static function free(string $slug): string
    {
        $taken = static fn (string $it): bool => Kind::query()->where('slug', $it)->exists() || Machine::query()->where('slug', $it)->exists();
        for ($n = 2, $free = $slug; $taken($free); ++$n) {
            $free = "{$slug}-{$n}";
        }

        return $free;
    }

    private static function title(TakeInBody $it): string
    {
        return $it->title ?? ($it->symptom === null ? 'Taken in' : mb_substr($it->symptom, 0, 120));
    }

    private static function owner(TakeInBody $it): string
    {
        return $it->owner ?? 'not said';
    }
}
