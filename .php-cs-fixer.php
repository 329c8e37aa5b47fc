<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@PER-CS' => true,
        'declare_strict_types' => true,
        'no_unused_imports' => true,
        'ordered_imports' => ['imports_order' => ['class', 'function', 'const']],
        'concat_space' => ['spacing' => 'none'],
        'not_operator_with_successor_space' => true,
        'single_quote' => true,
        'trailing_comma_in_multiline' => ['elements' => ['arguments', 'arrays', 'match', 'parameters']],
        'new_with_parentheses' => true,
        'single_line_empty_body' => false,
    ])
    ->setFinder(PhpCsFixer\Finder::create()
        ->in(__DIR__)
        ->append([__DIR__.'/artisan'])
        ->exclude(['vendor', 'node_modules', 'storage', 'bootstrap/cache', 'public/build']));
