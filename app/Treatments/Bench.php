<?php

declare(strict_types=1);

namespace App\Treatments;

use App\Logbook\Row;
use App\Logbook\Taking;
use Ash\Document\InvalidDocument;
use Ash\Facts\Substance;
use Ash\Treatments\Meeting;
use Ash\Treatments\RunsAlone;
use Ash\Treatments\StepBegun;
use Illuminate\Support\Facades\DB;

/** Everything that stands about on the bench, of all jobs and people: what a step that begins would meet. */
final readonly class Bench
{
    public static function alone(RunsAlone $data, Taking $at): RunsAlone
    {
        $taken = array_map(static fn (array $it): string => $it[0], $data->occupies === null ? [] : self::in($data->occupies));
        $taken === [] || throw InvalidDocument::forbidden('/data/occupies', "{$data->occupies} is taken: ".implode('; ', $taken));

        return $data->from($at->draft->at);
    }

    public static function begun(StepBegun $data, Taking $at): StepBegun
    {
        $treated = null;
        $before = [];
        foreach (Treated::of($at->job) as $it) {
            $it->id !== strtolower($data->treatment) || $treated = $it;
        }
        $treated ?? throw InvalidDocument::at('/data/treatment', 'is no treatment of this job');
        $step = $treated->steps()[$data->step - 1] ?? throw InvalidDocument::at('/data/step', 'this treatment has '.count($treated->steps()).' steps');
        $standing = $treated->standing();
        $standing->running && throw InvalidDocument::at('/data/step', "a step of {$treated->chosen->part} is running: end it first");
        // What the part met before, in this treatment or another one.
        foreach (Treated::of($at->job) as $it) {
            if ($it->chosen->part === $treated->chosen->part) {
                foreach ($it->begun as $n => $entry) {
                    $before[$entry->id] = $it->steps()[$n - 1] ?? null;
                }
            }
        }
        ksort($before);
        $left = Meeting::left(array_values(array_filter($before)));
        $whole = $data->of($treated->chosen, $step, $at->draft->at);
        $others = $left === [] ? [] : ["on {$treated->chosen->part}, not rinsed since," => $left];
        $taken = [];
        foreach ($data->vessel === null ? [] : self::in($data->vessel) as [$where, $substances]) {
            $taken[] = $where;
            $others["in {$data->vessel} ({$where})"] = $substances;
        }
        $refused = Meeting::refused($whole->substances, $others, $data->closed);
        $refused === []
            || throw InvalidDocument::forbidden(
                $taken === [] ? '/data/step' : '/data/vessel',
                implode('; ', $refused).'. Never mix them: rinse between, or take another vessel',
            );
        $taken === [] || throw InvalidDocument::forbidden('/data/vessel', "{$data->vessel} is taken: ".implode('; ', $taken));

        return $whole;
    }

    /** @return list<array{string, list<Substance>}> whose, and what is in it */
    private static function in(string $vessel): array
    {
        $rows = DB::table('treatment_steps')
            ->join('open_items', 'open_items.id', '=', 'treatment_steps.id')
            ->join('jobs', 'jobs.id', '=', 'treatment_steps.job_id')
            ->where('open_items.open', true)->where('treatment_steps.vessel', $vessel)->lockForUpdate()
            ->get(['jobs.number', 'treatment_steps.part', 'treatment_steps.author', 'treatment_steps.substances']);

        return array_values(array_map(static function (object $it): array {
            $row = new Row($it);
            $values = json_decode($row->string('substances'));
            $substances = is_array($values)
                ? array_filter(array_map(static fn (mixed $one): ?Substance => is_string($one) ? Substance::tryFrom($one) : null, $values))
                : [];

            return [sprintf('%s of J-%04d, %s', $row->string('part'), $row->int('number'), $row->string('author')), array_values($substances)];
        }, $rows->all()));
    }
}
