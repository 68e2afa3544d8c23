<?php

declare(strict_types=1);

return [
    // Seconds to wait for a meter's connection and for each of its answers.
    'connect_timeout' => 1.0,
    'answer_timeout' => 3.0,

    // Seconds to wait for a meter that another reading is using, before it is called busy.
    'busy_timeout' => 2.0,

    // Where the stand-in meter that ships with the application listens; bin/start sets the port.
    'standin' => ['host' => '127.0.0.1', 'port' => (int) env('STANDIN_METER_PORT', 8041)],

    // Where the stand-in memory tester writes its console.
    'standin_tester' => ['host' => '127.0.0.1', 'port' => (int) env('STANDIN_TESTER_PORT', 8042)],

    // Seconds for reading what a memory test gave; the web server waits sixty. What was read until then is kept and marked.
    'read_time' => 40.0,

    // Seconds without a line after which a tester is called silent. The capture stays open.
    'silent_after' => (float) env('CAPTURE_SILENT_S', 20),
];
