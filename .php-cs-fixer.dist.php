<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        'declare_strict_types' => true,
        'concat_space' => ['spacing' => 'none'],
        'phpdoc_to_comment' => false,
        'yoda_style' => false,
        'native_function_invocation' => false,
        'native_constant_invocation' => false,
        'global_namespace_import' => false,
        'single_line_throw' => false,
        'increment_style' => ['style' => 'pre'],
        'method_argument_space' => ['on_multiline' => 'ignore'],
        'php_unit_method_casing' => ['case' => 'snake_case'],
        'php_unit_strict' => false,
        'self_accessor' => false,
    ])
    ->setCacheFile(__DIR__.'/var/php-cs-fixer.cache')
    ->setFinder((new PhpCsFixer\Finder())
        ->in(__DIR__)
        ->exclude(['vendor', 'node_modules', 'var', 'public/build', 'bootstrap/cache', 'resources'])
        ->append([__DIR__.'/bin/ash', __DIR__.'/standins/bench-meter/bench-meter', __DIR__.'/artisan']));
