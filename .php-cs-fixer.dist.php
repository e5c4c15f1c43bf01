<?php

declare(strict_types=1);

$files = PhpCsFixer\Finder::create()->in([__DIR__.'/src', __DIR__.'/tests', __DIR__.'/migrations', __DIR__.'/config', __DIR__.'/public', __DIR__.'/bench'])->notPath('build');

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        '@PHP82Migration' => true,
        'declare_strict_types' => true,
        'strict_param' => true,
        // How lines are laid out is for prettier to say (.prettierrc).
        'attribute_block_no_spaces' => false,
        'blank_line_after_opening_tag' => false,
        'braces_position' => false,
        'class_definition' => false,
        'concat_space' => ['spacing' => 'one'],
        'function_declaration' => ['closure_fn_spacing' => 'none', 'closure_function_spacing' => 'one'],
        'heredoc_indentation' => false,
        'integer_literal_case' => false,
        'method_argument_space' => false,
        'method_chaining_indentation' => false,
        'no_multiline_whitespace_around_double_arrow' => false,
        'no_unneeded_control_parentheses' => false,
        'no_whitespace_before_comma_in_array' => false,
        'operator_linebreak' => false,
        'single_line_empty_body' => true,
        'single_space_around_construct' => false,
        'spaces_inside_parentheses' => false,
        'statement_indentation' => false,
        'types_spaces' => false,
        'native_function_invocation' => false,
        'phpdoc_align' => false,
        'phpdoc_summary' => false,
        'phpdoc_to_comment' => false,
        'single_line_throw' => false,
    ])
    ->setFinder($files);
