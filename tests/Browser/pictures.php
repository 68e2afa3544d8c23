<?php

declare(strict_types=1);

/*
 * The pictures of docs/screenshots, from the demo data: php tests/Browser/pictures.php [address [address and folder of one
 * without demo]] while bin/start --fresh runs.
 */

require __DIR__.'/../../vendor/autoload.php';

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Tests\Browser\Chrome;

$root = dirname(__DIR__, 2);
$url = $argv[1] ?? 'http://127.0.0.1:8040';
$var = getenv('ASH_VAR') ?: "{$root}/var";
preg_match('/(ines@\S+) \/ (\S+)/', (string) file_get_contents("{$var}/sign-in.txt"), $m) === 1 ?: exit("start the demo first: bin/start\n");
$scene = static function (string $name) use ($url): void {
    $socket = stream_socket_client('tcp://127.0.0.1:'.((int) parse_url($url, PHP_URL_PORT) + 1)) ?: exit("the stand-in meter does not answer\n");
    fwrite($socket, "SIM:SCENE \"{$name}\"\nSIM:SCENE?\n");
    fgets($socket);
};

$chrome = Chrome::open($url);
$chrome->signIn($m[1], $m[2]);
$take = static fn (string $name) => $chrome->picture("{$root}/docs/screenshots/{$name}.png");
$light = static function (string $light) use ($chrome): void {
    $chrome->script("localStorage.setItem('ash-bench.light', '{$light}')");
};
$openJob = static function (string $title) use ($chrome): void {
    $chrome->go('/jobs');
    $chrome->button($title)->click();
    $chrome->see('Leading words');
};
$point = static function (string $name) use ($chrome): void {
    $chrome->script("[...document.querySelectorAll('[aria-label=\"Test points\"] button')].find((it) => it.innerText.includes('{$name}')).click()");
    $chrome->press(' ');
    usleep(400_000);
};

$telephone = static fn (bool $on) => (new ChromeDevToolsDriver($chrome->driver))->execute(
    $on ? 'Emulation.setDeviceMetricsOverride' : 'Emulation.clearDeviceMetricsOverride',
    $on ? ['width' => 390, 'height' => 844, 'deviceScaleFactor' => 1, 'mobile' => true] : [],
);

$light('day');
$chrome->go('/');
$chrome->see('Temporary fixes still open');
$take('bench');
$openJob('Fan turns, screen stays dark');
$take('job');
$openJob('Switch does not hold');
$chrome->press('b');
$chrome->see('Recommended: ');
$chrome->script('window.scrollTo(0, 330)');
$take('battery-options');
$chrome->go('/jobs');
$chrome->button('Dead after the winter')->click();
$chrome->see('Fixed, handed back');
usleep(400_000);
$chrome->press('l');
$chrome->see('neutralise');
$take('leak-survey');
$openJob('Parity stop when the room is warm');
$chrome->press('m');
$chrome->see('Runs that are kept');
usleep(600_000);
$take('socket-map');
$openJob('Fan turns, screen stays dark');
$chrome->press('f');
$chrome->see('What would explain it');
usleep(400_000);
$take('find');
$openJob('Recap of the spare supply');
$chrome->press('k');
$chrome->see('Found while walking over the board');
$chrome->find('[aria-label^="Capacitance at C4"]')->sendKeys('i');
$chrome->press(' ');
$chrome->see('below 8000 µF');
usleep(600_000);
$chrome->script('window.scrollTo(0, 0)');
$take('capacitor-run');
$chrome->go('/shelf');
$chrome->see('Originals kept from');
$take('shelf');
$openJob('counts nothing since it was moved');
$chrome->press('r');
$chrome->see('What hangs on the supply?');
$chrome->press('3');
$chrome->see('Which meter do you read?');
$chrome->press('1');
$chrome->see('Read the meter');
$chrome->press('4', '.', '9', '8', "\u{E007}");
$chrome->see('4.98 V');
$telephone(true);
usleep(500_000);
$take('rail-run-telephone');
$telephone(false);
$chrome->go('/kinds');
$chrome->button('Stilt 3 plate measuring table')->click();
$chrome->see('learned from J-0012');
$take('kind');
$chrome->go('/boards');
$chrome->field('Search: name, serial, owner, machine, kind')->sendKeys('0044');
$chrome->until(static fn (): bool => $chrome->script('return document.querySelectorAll("main li").length') === 1, 'the board is not found');
$chrome->button('Dome interface card')->click();
$chrome->see('Where it has been');
usleep(500_000);
$take('board-moved');
$chrome->go('/');
$chrome->see('Temporary fixes still open');
$chrome->press('n');
$chrome->see('Only a name is needed');
$chrome->field('What comes in, from whom, and what it does')->sendKeys('Knot 12 lab computer, from the instrument group, dead after a week off');
$chrome->see('new here');
usleep(500_000);
$take('intake');
$scene('weak-plus12');
$openJob('Memory test stops after a cold night');
$chrome->press('r');
$chrome->see('What hangs on the supply?');
$chrome->press('3');
$chrome->see('Which meter do you read?');
$chrome->press('1');
$chrome->see('Read the meter');
foreach (['zener D4', 'regulator U51 out', 'regulator U52 out'] as $name) {
    $point($name);
}
$take('rail-run-day');
// Brackets in the bath, and what the bench does meanwhile.
$enter = "\u{E007}";
$openJob('Fan turns, screen stays dark');
$chrome->press('t');
$chrome->see('A part to treat');
$chrome->field('The part')->sendKeys('slot brackets');
foreach (['Litres' => '10', 'Supply, volts' => '12', 'Its limit, amperes' => '5'] as $label => $value) {
    $chrome->field($label)->sendKeys($value);
}
$chrome->field('What is wrong')->sendKeys('rust');
$chrome->field('Made of')->sendKeys('steel');
$chrome->find('[aria-label="Take electrolysis"]')->sendKeys($enter);
for ($n = 1; $n <= 4; ++$n) {
    $chrome->button("Begin step {$n}")->sendKeys($enter);
    $chrome->button("Done, step {$n}")->sendKeys($enter);
    $chrome->see('Begin step '.($n + 1));
}
$chrome->field('Vessel or place of slot brackets')->sendKeys('bath 1');
$chrome->button('Begin step 5')->sendKeys($enter);
$chrome->see('in bath 1, until');
$chrome->script("[...document.querySelectorAll('details summary')].find((it) => it.textContent.includes('sums of the bath')).click()");
$chrome->see('of hydrogen an hour');
usleep(400_000);
$chrome->script('window.scrollTo(0, 0)');
$take('treatments');
// A lid that has yellowed, with its hidden side and a grey card beside it; then the same after a night under the lamp.
$lid = static function (int $red, int $green, int $blue): string {
    $image = imagecreatetruecolor(1200, 480) ?: exit("no picture can be drawn\n");
    $fill = static fn (int $x, int $y, int $to, int $down, int ...$rgb): bool => imagefilledrectangle(
        $image, $x, $y, $to, $down, (int) imagecolorallocate($image, ...$rgb),
    );
    $fill(0, 0, 1199, 479, 92, 74, 58);
    $fill(40, 40, 780, 440, $red, $green, $blue);
    for ($x = 120; $x < 700; $x += 60) {
        $fill($x, 300, $x + 34, 400, (int) ($red * 0.55), (int) ($green * 0.55), (int) ($blue * 0.55));
    }
    $fill(820, 40, 1160, 230, 214, 209, 196);
    $fill(820, 260, 1160, 440, 128, 126, 120);
    imagejpeg($image, $file = (string) tempnam(sys_get_temp_dir(), 'lid').'.jpg', 92);

    return $file;
};
$openJob('Dome overshoots by a window');
$colours = rtrim((string) parse_url($chrome->driver->getCurrentURL(), PHP_URL_PATH), '/').'/treatments';
foreach ([[196, 178, 134, '0'], [206, 194, 165, '20'], [210, 202, 181, '36']] as [$red, $green, $blue, $hours]) {
    $openJob('Dome overshoots by a window');
    $chrome->field('Caption of the next photo')->sendKeys("lid after {$hours} h");
    $chrome->find('[aria-label="Photo file"]')->sendKeys($lid($red, $green, $blue));
    $chrome->see("lid after {$hours} h");
    $chrome->go($colours);
    $chrome->field('Photo with part, reference patch and grey card')->sendKeys("lid after {$hours}");
    $chrome->field('The part, by name')->sendKeys('lid');
    $chrome->field('Hours of brightening so far')->sendKeys($hours);
    [$left, $right, $up, $down] = ["\u{E012}", "\u{E014}", "\u{E013}", "\u{E015}"];
    $chrome->find('[role="application"]')->sendKeys(
        str_repeat($left, 20).str_repeat($up, 25).$enter.str_repeat($right, 52).$enter.str_repeat($down, 45).$enter,
    );
    $chrome->button('Read the colours')->sendKeys($enter);
    $chrome->see("after {$hours} h");
}
$chrome->see('of the difference is gone');
$chrome->script('[...document.querySelectorAll("h2")].find((it) => it.textContent.includes("Colour, measured")).scrollIntoView()');
usleep(800_000);
$take('colours');
$openJob('Dome overshoots by a window');
$chrome->press('u');
$chrome->see('Nothing is written down yet');
foreach ([['serial card', 'JP3 irq: 1-2 4*, 2-3 3'], ['modem', 'J2 irq: 1-2 4*'], ['plotter card', 'SW1 1-4 io: 220 240* 260 280']] as [$device, $said]) {
    $chrome->field('Card or drive')->clear();
    $chrome->field('Card or drive')->sendKeys($device);
    $chrome->field('Its block, what it sets, the ways; a star where it stands')->sendKeys($said.$enter);
    $chrome->see("{$device} (");
}
usleep(400_000);
$take('setup');
$openJob('Dome overshoots by a window');
foreach ([
    'drive disc 1: 615/4/17 sold as 20 MB', 'attempt disc 1: an adapter, nothing', 'attempt disc 1: warmed up, in part, 18 MB, 9 bad',
    'attempt disc 1: its own controller, works, 20.1 MB, 180 kB/s, 3 bad', 'attempt disc 1: turned over, works, 20.1 MB, 90 kB/s, 0 bad',
    'copied dome tables 1: dome1.img in drive A', 'copied dome tables 2: dome2.img in drive A, 2 tries, 5 bad, aside', 'damages drive A: a ring on side 0',
] as $line) {
    $chrome->find('#line')->sendKeys($line.$enter);
    $chrome->until(static fn (): bool => $chrome->find('#line')->getAttribute('value') === '', "\"{$line}\" is not kept");
}
$chrome->press(Facebook\WebDriver\WebDriverKeys::ESCAPE);
$chrome->go(rtrim((string) parse_url($chrome->driver->getCurrentURL(), PHP_URL_PATH), '/').'/disks');
$chrome->see('turned over, best so far');
usleep(400_000);
$take('disks');
$openJob('Recap of the spare supply');
$chrome->find('#line')->sendKeys('runs 3 h burn-in with the dummy load in the cabinet'.$enter);
$chrome->see('Runs: burn-in');
$light('lamp');
$chrome->go('/running');
$chrome->see('What fits now');
usleep(600_000);
$take('running');
$scene('sound');
$light('day');
$chrome->close();

// The first screen of an installation that knows nothing: with the address and the folder of a bin/start --no-demo.
if (isset($argv[2], $argv[3])) {
    preg_match('/(lead@\S+) \/ (\S+)/', (string) file_get_contents("{$argv[3]}/sign-in.txt"), $m) === 1 ?: exit("{$argv[3]} is no installation without demo\n");
    $chrome = Chrome::open($argv[2]);
    $chrome->signIn($m[1], $m[2]);
    usleep(500_000);
    $chrome->picture("{$root}/docs/screenshots/bench-first-use.png");
    $chrome->close();
}
