<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Machine;
use App\Report\ReportLink;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;

/** The routes that the router knows, with identifiers of what is there. */
trait EveryRoute
{
    /** @return list<array{string, string, Route}> method, address with real identifiers, route */
    private function routes(): array
    {
        $job = $this->job();
        $run = $this->railRun($job);
        $photo = self::ulid();
        \App\Logbook\Photo::query()->create([
            'id' => $photo,
            'job_id' => $job->id,
            'author' => 'Test',
            'width' => 1,
            'height' => 1,
            'bytes' => 1,
            'sha256' => str_repeat('0', 64),
            'taken_in_at' => now(),
        ]);
        $link = ReportLink::query()->create(['job_id' => $job->id, 'author' => 'Test', 'expires_at' => now()->addDay()]);
        $source = \App\Memory\Source::query()->create([
            'id' => self::ulid(),
            'job_id' => $job->id,
            'kind' => 'text',
            'state' => 'whole',
            'memory' => json_encode(\Ash\Document\Node::parse(self::machine()->described->profile)->at('memories')->items()[0]->raw()),
            'radix' => 16,
            'pattern' => 'none',
            'author' => 'Test',
            'started_at' => now(),
            'updated_at' => now(),
        ]);
        $port = \App\Instruments\SerialPort::query()->create(['name' => 'Tester', 'host' => '127.0.0.1', 'port' => 9, 'standin' => true])->id;
        $item = \App\Shelf\ShelfItem::query()->create(['sku' => 'X', 'name' => 'X', 'spec' => [], 'place' => 'X', 'came_on' => '2026-01-01'])->id;
        $kind = Machine::query()->findOrFail($job->machine_id)->kind_id;
        $sheet = strtolower(self::ulid());
        DB::table('kind_sheets')->insert([
            'id' => $sheet, 'kind_id' => $kind, 'what' => 'sheet', 'name' => 'x.txt', 'bytes' => 1, 'crc32' => '00000000', 'sha256' => str_repeat('0', 64),
            'author' => 'Test', 'created_at' => now(),
        ]);
        is_dir(storage_path('app/sheets')) || mkdir(storage_path('app/sheets'), 0700, true);
        file_put_contents(storage_path("app/sheets/{$sheet}"), 'x');
        $ids = [
            'kind' => $kind,
            'sheet' => $sheet,
            'item' => $item,
            'reservation' => self::ulid(),
            'source' => $source->id,
            'port' => $port,
            'job' => $job->id,
            'run' => $run,
            'machine' => $job->machine_id,
            'board' => $job->board_id,
            'meter' => self::meter(5025)->id,
            'person' => self::person()->id,
            'link' => $link->id,
            'verb' => 'judge',
            'room' => 'rails',
            'secret' => str_repeat('0', 40),
            'photo' => $photo,
            'line' => \App\Memory\TaughtLine::query()->create([
                'id' => self::ulid(), 'machine_id' => $job->machine_id, 'pattern' => '{"sort":"end","tokens":[{"word":"end"}]}', 'example' => 'end',
                'author' => 'Test', 'created_at' => now(), 'active' => true,
            ])->id,
        ];
        $found = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            $address = preg_replace_callback('/\{(\w+)\??\}/', static fn (array $m): string => $ids[$m[1]] ?? '', $route->uri());
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $found[] = [$method, "/{$address}", $route];
            }
        }
        $this->app->make('auth')->forgetGuards();

        return $found;
    }
}
