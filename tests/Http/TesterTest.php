<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Instruments\Address;
use App\Instruments\SerialCapture;
use App\Instruments\SerialPort;
use App\People\Role;
use PHPUnit\Framework\Attributes\DataProvider;

/** Serial ports as a lead sets them up, and the stand-in tester as a device of its own. */
final class TesterTest extends TestCase
{
    private ?StandIn $tester = null;

    protected function tearDown(): void
    {
        $this->tester?->stop();
        parent::tearDown();
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function set(array $more = [], Role $who = Role::Lead): \Illuminate\Testing\TestResponse
    {
        return $this->as($who)->postJson('/api/serial-ports', ['name' => 'Adapter by the window', 'host' => '192.168.7.20', 'port' => 4001, ...$more]);
    }

    public function test_a_lead_sets_up_serial_ports_on_private_addresses_only(): void
    {
        $id = self::text($this->set()->assertCreated()->json('id'));
        self::assertSame($id, $this->set()->assertOk()->json('id'));
        self::assertRefused($this->set(['port' => 4009]), '/name', 'already');
        foreach ([
            '/host' => [['host' => '8.8.8.8'], ['host' => 'tester.example'], ['host' => '169.254.169.254'], ['host' => '0x7f.1']],
            '/port' => [['port' => 0], ['port' => 70000], ['port' => '4001']],
            '/name' => [['name' => ' ']],
            '/colour' => [['colour' => 'red']],
        ] as $pointer => $bodies) {
            foreach ($bodies as $body) {
                self::assertRefused($this->set(['name' => 'another', ...$body]), $pointer);
            }
        }
        $this
            ->putJson("/api/serial-ports/{$id}", ['name' => 'Adapter, put away', 'host' => '10.0.0.9', 'port' => 4002, 'active' => false])
            ->assertOk()
            ->assertJsonPath('active', false);
        self::assertContains('Adapter, put away', array_column((array) $this->as(Role::Viewer)->getJson('/api/serial-ports')->json(), 'name'));
        $job = $this->job();
        self::assertRefused(
            $this->as(Role::Technician)->postJson("/api/jobs/{$job->id}/captures", ['id' => self::ulid(), 'map' => 'main', 'port' => $id]),
            '/port',
            'put away',
        );
        $this->set([], Role::Technician)->assertStatus(403);
        $this->as(Role::Viewer)->getJson("/api/serial-ports/{$id}/scene")->assertStatus(404);
    }

    public function test_the_scene_of_the_stand_in_is_chosen_from_those_it_has(): void
    {
        $this->tester = StandIn::start('good', 1, 'memory-tester');
        config(['instruments.standin_tester.port' => $this->tester->port]);
        $port = SerialPort::query()->create(['name' => 'Stand-in', 'host' => '127.0.0.1', 'port' => 9, 'standin' => true])->id;
        self::assertSame('good', $this->as(Role::Viewer)->getJson("/api/serial-ports/{$port}/scene")->assertOk()->json('scene'));
        self::assertSame(
            'data-line',
            $this->as(Role::Technician)->putJson("/api/serial-ports/{$port}/scene", ['scene' => 'data-line'])->assertOk()->json('scene'),
        );
        self::assertRefused($this->putJson("/api/serial-ports/{$port}/scene", ['scene' => 'party']), '/scene', 'must be one of address-line');
        self::assertSame(['data-line'], $this->tester->talk('SIM:SCENE?'));
        $this->tester->stop();
        self::assertRefused($this->putJson("/api/serial-ports/{$port}/scene", ['scene' => 'good']), '', 'cannot be reached');
    }

    /** @return list<string> lines of the first seconds */
    private function lines(string $scene, int $seed, int $count): array
    {
        $this->tester?->stop();
        $this->tester = StandIn::start($scene, $seed, 'memory-tester');
        $line = SerialCapture::open(new Address('127.0.0.1', $this->tester->port), 1.0);
        $lines = [];
        $until = microtime(true) + 4;
        while (count($lines) < $count && !$line->ended() && microtime(true) < $until) {
            $read = [$line->socket];
            $none = null;
            stream_select($read, $none, $none, 0, 50_000);
            array_push($lines, ...$line->lines());
        }
        $line->close();

        return array_slice($lines, 0, $count);
    }

    public function test_a_seed_repeats_a_run(): void
    {
        $first = $this->lines('fast', 7, 40);
        self::assertSame($first, $this->lines('fast', 7, 40));
        self::assertNotSame($first, $this->lines('fast', 8, 40));
    }

    /** @return array<string, array{string, string, string, string}> scene, map, pattern, suspect */
    public static function scenes(): array
    {
        return [
            'a bad chip' => ['bad-chip', 'main', 'mix', 'chip U32'],
            'the same chip in its neighbour\'s socket' => ['bad-chip-moved', 'main', 'mix', 'chip U33'],
            'a data line' => ['data-line', 'main', 'mix', 'data line bit 4'],
            'an address line that shows with the mix pattern' => ['address-line-mix', 'main', 'mix', 'address line 5'],
        ];
    }

    #[DataProvider('scenes')]
    public function test_each_scene_points_where_its_fault_is(string $scene, string $map, string $pattern, string $called): void
    {
        $lines = $this->lines($scene, 4116, 36);
        $read = $this->as(Role::Technician)->postJson(
            "/api/jobs/{$this->job()->id}/memory-sources",
            ['id' => self::ulid(), 'map' => $map, 'pattern' => $pattern, 'text' => implode("\n", $lines)],
        )->assertCreated();
        self::assertSame($called, $read->json('located.suspects.0.called'), (string) json_encode($read->json('located.suspects')));
        self::assertGreaterThan(0.8, $read->json('located.suspects.0.probability'));
    }

    public function test_an_address_line_under_the_fold_pattern_stays_open_and_asks_for_the_mix_pattern(): void
    {
        $lines = $this->lines('address-line', 4116, 36);
        $read = $this->as(Role::Technician)->postJson(
            "/api/jobs/{$this->job()->id}/memory-sources",
            ['id' => self::ulid(), 'map' => 'main', 'pattern' => 'fold', 'text' => implode("\n", $lines)],
        )->assertCreated();
        self::assertStringContainsString('run the mix pattern', strtolower((string) json_encode($read->json('located'))));
    }

    public function test_an_octal_console_of_a_core_memory_is_read_in_octal(): void
    {
        $lines = $this->lines('octal-core', 4116, 16);
        $read = $this->as(Role::Technician)->postJson(
            "/api/jobs/{$this->job('knot-12', 'core')->id}/memory-sources",
            ['id' => self::ulid(), 'map' => 'stack', 'pattern' => 'fold', 'text' => implode("\n", $lines)],
        )->assertCreated();
        self::assertSame(['plane P7', 0], [$read->json('located.suspects.0.called'), $read->json('located.unmapped')]);
        self::assertStringContainsString('Plane P7', self::text($read->json('located.suspects.0.text')));
    }

    public function test_noise_without_an_end_costs_no_memory(): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($server);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1);
        $line = SerialCapture::open(new Address('127.0.0.1', $port), 1.0);
        $peer = stream_socket_accept($server, 1);
        self::assertIsResource($peer);
        $seen = 0;
        for ($i = 0; $i < 20; ++$i) {
            fwrite($peer, str_repeat("\xFF", 3000));
            usleep(2000);
            foreach ($line->lines() as $part) {
                $seen += strlen($part);
                self::assertLessThanOrEqual(4096, strlen($part));
            }
            self::assertLessThanOrEqual(4096, strlen($line->rest()));
        }
        self::assertGreaterThan(8000, $seen);
        fwrite($peer, "\nPASS 1 END errors 0\r\nhalf a li");
        usleep(5000);
        $lines = $line->lines();
        self::assertSame('PASS 1 END errors 0', end($lines));
        fclose($peer);
        usleep(5000);
        $line->lines();
        self::assertSame([true, 'half a li'], [$line->ended(), $line->rest()]);
        $line->close();
    }
}
