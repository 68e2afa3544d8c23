<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Room;
use App\Logbook\Taking;
use Ash\Facts\Facts;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Memory\ChipsExchanged;
use Ash\Memory\DateCodesRead;
use Ash\Memory\ErrorSaid;
use Ash\Memory\FitAsked;
use Ash\Memory\MemoryRun;
use Ash\Memory\MemoryStanding;
use Ash\Memory\Since;
use Ash\Memory\SoakAsked;
use Ash\Memory\SoakKept;
use Ash\Memory\SumAsked;
use Illuminate\Support\Facades\Route;

/** What memory brings on this floor. */
final class MemoryRoom extends Room
{
    /** Entries that are looked at to say where a job stands. */
    private const LAST = 40;

    public function name(): string
    {
        return 'memory';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/memory', [MemoryController::class, 'show']);
        Route::get('jobs/{job}/memory/counted', [MemoryController::class, 'counted']);
        Route::get('jobs/{job}/soak', [MemoryController::class, 'soak']);
        Route::get('memory-sources/{source}', [MemoryController::class, 'source']);
        Route::get('lines', [TeachController::class, 'index']);
        Route::get('memory/line', [TablesController::class, 'line']);
        Route::get('memory/tables', [TablesController::class, 'show']);
    }

    public function exchange(): TextExchange
    {
        return new TextExchange();
    }

    public function records(): void
    {
        Route::post('jobs/{job}/memory-sources', [MemoryController::class, 'text']);
        Route::post('jobs/{job}/memory-sources/csv', [MemoryController::class, 'csv']);
        Route::post('jobs/{job}/captures', [MemoryController::class, 'capture']);
        Route::put('memory-sources/{source}', [MemoryController::class, 'again']);
        Route::post('memory-sources/{source}/lines', [TeachController::class, 'teach']);
        Route::post('memory-sources/{source}/stop', [MemoryController::class, 'stop']);
        Route::post('memory/fit', [TablesController::class, 'fit']);
        Route::post('memory/sum', [TablesController::class, 'sum']);
        Route::post('memory/coverage', [TablesController::class, 'coverage']);
        Route::post('memory/time', [TablesController::class, 'time']);
        Route::post('memory/soak', [TablesController::class, 'soak']);
        Route::post('memory/rows', [TablesController::class, 'rows']);
        Route::post('memory/check', [TablesController::class, 'check']);
    }

    public function leads(): void
    {
        Route::delete('lines/{line}', [TeachController::class, 'away']);
        Route::post('machines/{machine}/lines', [TeachController::class, 'import']);
    }

    public function pages(): void
    {
        Route::get('machines/{machine}/dialect.json', [TeachController::class, 'export']);
    }

    public function bodies(): array
    {
        return ['FitBody' => FitAsked::class, 'SumBody' => SumAsked::class, 'SoakBody' => SoakAsked::class];
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        return match (true) {
            $data instanceof ErrorSaid => CompleteMemory::said($at, $data),
            $data instanceof MemoryRun => CompleteMemory::run($at->job, $data),
            $data instanceof ChipsExchanged => CompleteMemory::exchange($at->job, $data),
            $data instanceof SoakKept => CompleteMemory::soak($at->job, $data),
            $data instanceof DateCodesRead => CompleteMemory::dateCodes($at->profile, $data),
            default => $data,
        };
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        if ($data instanceof MemoryRun || ($data instanceof SoakKept && $data->source !== null)) {
            Tidying::keep((string) $data->source);
        }
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $done = $soak = null;
        $entries = CompleteMemory::standing($job, MemoryRun::KIND, ChipsExchanged::KIND, PartReplaced::KIND, SoakKept::KIND)->limit(self::LAST)->get();
        foreach ($entries as $entry) {
            $data = $entry->data;
            if ($data instanceof MemoryRun) {
                return [MemoryStanding::of($data, $done, $soak), ...($done === null ? $data->answers() : [])];
            }
            if ($data instanceof SoakKept && $done === null && $soak === null && $data->errors === 0) {
                return [MemoryStanding::soaked($data->sentence(''))];
            }
            if ($data instanceof SoakKept && $done === null) {
                $soak ??= $data->sentence('');
            }
            $done ??= match (true) {
                $data instanceof ChipsExchanged => Since::Exchanged,
                $data instanceof PartReplaced => Since::Replaced,
                default => null,
            };
        }

        return [MemoryStanding::of(null, null, $soak)];
    }
}
