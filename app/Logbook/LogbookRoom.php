<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Facts\Facts;
use Ash\Logbook\Entries\Arrived;
use Ash\Logbook\Entries\BoardMoved;
use Ash\Logbook\Entries\FixUndone;
use Ash\Logbook\Entries\GatePassed;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\Entries\OpenItemNamed;
use Ash\Logbook\Entries\Overruled;
use Ash\Logbook\Entries\PhotoTaken;
use Ash\Logbook\Entries\Pin;
use Ash\Logbook\Entries\Promised;
use Ash\Logbook\Entries\PutBack;
use Ash\Logbook\Entries\WaitingFor;
use Ash\Logbook\EntryData;
use Ash\Logbook\LogbookRoom as Core;
use Ash\Logbook\Profile;
use Illuminate\Support\Facades\Route;

/** What the hall itself brings on this floor. */
final class LogbookRoom extends Room
{
    public function name(): string
    {
        return 'logbook';
    }

    public function reads(): void
    {
        Route::get('bench', [BenchController::class, 'show']);
        Route::get('search', [SearchController::class, 'show']);
        Route::get('jobs', [JobController::class, 'index']);
        Route::get('jobs/{job}/entries', [JobController::class, 'entries']);
        Route::get('jobs/{job}/pulse', [JobController::class, 'pulse']);
        Route::get('jobs/{job}/unproven', [JobController::class, 'unproven']);
        Route::get('running', [RunningController::class, 'index']);
        Route::get('jobs/{job}/minutes', [JobController::class, 'minutes']);
        Route::get('jobs/{job}', [JobController::class, 'show']);
        Route::get('jobs/{job}/strip', [StripController::class, 'show']);
        Route::get('jobs/{job}/photos', [PhotoController::class, 'index']);
        Route::get('kinds', [KindController::class, 'index']);
        Route::get('kinds/{kind}', [KindController::class, 'show']);
        Route::get('machines', [MachineController::class, 'index']);
        Route::get('machines/{machine}', [MachineController::class, 'show']);
        Route::get('entry-kinds', [EntryController::class, 'kinds']);
        Route::get('boards', [BoardController::class, 'index']);
        Route::get('boards/{board}', [BoardController::class, 'show']);
        Route::get('boards/{board}/photos', [BoardController::class, 'photos']);
    }

    public function exchange(): PhotoExchange
    {
        return new PhotoExchange();
    }

    public function records(): void
    {
        Route::post('boards/import-archive', [BoardController::class, 'importArchive']);
        Route::post('jobs', [JobController::class, 'store']);
        Route::post('intake/read', [IntakeController::class, 'read']);
        Route::post('intake', [IntakeController::class, 'store']);
        Route::post('jobs/{job}/entries', [EntryController::class, 'store']);
        Route::post('logbook/line', [EntryController::class, 'preview']);
        Route::post('compute/{room}/{verb}', [ComputeController::class, 'compute']);
        Route::post('jobs/{job}/photos', [PhotoController::class, 'store']);
        Route::post('machines', [MachineController::class, 'store']);
        Route::put('machines/{machine}/profile', [MachineController::class, 'update']);
        Route::put('kinds/{kind}/profile', [KindController::class, 'update']);
        Route::delete('kinds/{kind}/lessons/{job}', [KindController::class, 'takeBack']);
        Route::post('kinds/{kind}/sheets', [KindSheets::class, 'store']);
        Route::post('boards/import', [BoardController::class, 'import']);
    }

    public function leads(): void
    {
        Route::post('kinds/{kind}/merge', [Merges::class, 'kinds']);
        Route::post('machines/{machine}/merge', [Merges::class, 'machines']);
        Route::post('boards/{board}/merge', [Merges::class, 'boards']);
        Route::delete('machines/{machine}/contact', [Merges::class, 'erase']);
        Route::post('kinds/{kind}/split', [BoardKindController::class, 'split']);
        Route::put('boards/{board}/kind', [BoardKindController::class, 'assign']);
        Route::delete('boards/{board}/kind', [BoardKindController::class, 'unassign']);
    }

    public function pages(): void
    {
        Route::get('sheets/{sheet}', [KindSheets::class, 'download']);
        Route::get('photos/{photo}', [PhotoController::class, 'picture']);
        Route::get('photos/{photo}/thumbnail', [PhotoController::class, 'thumbnail']);
        Route::get('machines/{machine}/profile.json', [MachineController::class, 'export']);
        Route::get('kinds/{kind}/profile.json', [KindController::class, 'export']);
        Route::get('boards/{board}/record.json', [BoardController::class, 'export']);
        Route::get('boards/{board}/archive.zip', [BoardController::class, 'archive']);
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        return match (true) {
            $data instanceof OpenItemNamed => self::named($data, $at),
            $data instanceof FixUndone => Shape::of(FixUndone::class)->with(
                $data,
                ['what' => self::openItem($at, Core::HAZARD, $data->hazard, '/data/hazard')->text],
            ),
            $data instanceof Arrived => Shape::of(Arrived::class)->with(
                $data,
                ['what' => self::openItem($at, WaitingFor::KIND, $data->waiting, '/data/waiting')->text],
            ),
            $data instanceof GatePassed => self::gate($data, $at),
            $data instanceof PutBack => Rebuild::complete($at->job, $data, $at->draft->corrects),
            $data instanceof BoardMoved => BoardMoves::complete($data),
            $data instanceof Overruled => self::overruled($data, $at),
            $data instanceof PhotoTaken, $data instanceof Pin => Photo::complete($at->job, $data),
            default => $data,
        };
    }

    public function boardOf(EntryData $data, Taking $at): ?string
    {
        return match (true) {
            $data instanceof Overruled => Entry::query()->find($data->of)?->board_id,
            $data instanceof BoardMoved => strtolower($data->board),
            default => null,
        };
    }

    public function taken(Entry $entry, Taking $at): void
    {
        $moved = $entry->as(BoardMoved::class);
        $moved === null || BoardMoves::make($entry, $moved);
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        return TrueHere::of($job->board_id)->notes;
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        match (true) {
            $entry->kind === Core::HAZARD => OpenItem::begin($entry, Core::HAZARD, $entry->text),
            $data instanceof WaitingFor => OpenItem::begin($entry, WaitingFor::KIND, $data->for, $data->asked, $data->since),
            $data instanceof FixUndone => OpenItem::end($data->hazard, $entry),
            $data instanceof Arrived => OpenItem::end($data->waiting, $entry),
            $data instanceof Promised => self::promised($entry, $data),
            $data instanceof JobClosed => self::kept($entry),
            $entry->kind === Core::REOPENED => self::again($job),
            default => null,
        };
    }

    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        if (in_array($entry->kind, [FixUndone::KIND, Arrived::KIND, Promised::KIND], true)) {
            OpenItem::reopen($entry);
        }
        $entry->kind === BoardMoved::KIND && BoardMoves::undo($entry);
    }

    private static function promised(Entry $entry, Promised $data): void
    {
        self::kept($entry);
        OpenItem::begin($entry, Promised::KIND, 'promised back', due: $data->by);
    }

    /** What was promised of the job is over. */
    private static function kept(Entry $by): void
    {
        OpenItem::query()->where('job_id', $by->job_id)->where('kind', Promised::KIND)->where('open', true)->update(['open' => false, 'ended_by' => $by->id]);
    }

    /** A job that is opened again is promised as it was. */
    private static function again(Job $job): void
    {
        $closed = Entry::query()->where('job_id', $job->id)->where('kind', JobClosed::KIND)->pluck('id');
        $last = OpenItem::query()->where('job_id', $job->id)->where('kind', Promised::KIND)->whereIn('ended_by', $closed)->orderByDesc('id')->first();
        $last?->update(['open' => true, 'ended_by' => null]);
    }

    private static function overruled(Overruled $data, Taking $at): Overruled
    {
        $of = Entry::query()->where('job_id', $at->job->id)->find($data->of) ?? throw InvalidDocument::at('/data/of', 'is not an entry of this job');
        $verdict = $of->stored()->verdict ?? null;
        if (!is_string($verdict)) {
            throw InvalidDocument::at('/data/of', 'has no verdict to overrule');
        }
        if (Entry::query()->where('corrects_id', $of->id)->exists()) {
            throw InvalidDocument::at('/data/of', 'is corrected already: overrule the later entry');
        }

        return Shape::of(Overruled::class)->with($data, ['verdict' => $verdict]);
    }

    private static function gate(GatePassed $data, Taking $at): GatePassed
    {
        foreach (Gathered::sheet($at->job, $at->profile)->gates as $gate) {
            if ($gate->gate === $data->gate && $gate->closed()) {
                return Shape::of(GatePassed::class)->with($data, ['level' => $gate->level]);
            }
        }
        throw InvalidDocument::at('/data/gate', 'this gate is not closed: there is nothing to go past');
    }

    private static function openItem(Taking $at, string $kind, string $id, string $pointer): OpenItem
    {
        return OpenItem::query()->where('kind', $kind)->where('open', true)->where('id', $id)->where($at->job->ours(...))->first()
            ?? throw InvalidDocument::at($pointer, "is not an open {$kind} of this job");
    }

    private static function named(OpenItemNamed $data, Taking $at): EntryData
    {
        $kind = $at->draft->kind->name === FixUndone::KIND ? Core::HAZARD : WaitingFor::KIND;
        $items = OpenItem::query()->where('kind', $kind)->where('open', true)->where($at->job->ours(...))->get();
        $found = $items->filter(static fn (OpenItem $item): bool => mb_stripos($item->text, $data->match) !== false)->values();
        $open = $items->map(static fn (OpenItem $item): string => "\"{$item->text}\"")->implode(', ');
        if ($found->count() !== 1) {
            throw InvalidDocument::at('/line', match (true) {
                $items->isEmpty() => "no {$kind} is open",
                $found->isEmpty() => "none of the open ones has \"{$data->match}\" in it: {$open}",
                default => "\"{$data->match}\" fits more than one: {$open}",
            });
        }
        $item = $found->firstOrFail();

        return $kind === Core::HAZARD ? new FixUndone($item->id, $item->text) : new Arrived($item->id, $item->text);
    }
}
