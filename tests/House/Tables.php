<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

/** Finds the tables a piece of PHP names, in SQL and through the query builder, and those it writes. */
final class Tables
{
    private const BUILDER = '/\b(?:table|join|leftJoin|rightJoin|crossJoin|from)\(\s*[\'"]([a-z_]+)/';

    private const SQL = '/\b(?:FROM|JOIN|INTO|UPDATE)\s+`?([a-z_]+)`?/';

    private const BUILDER_WRITES = '/\btable\(\s*[\'"]([a-z_]+)[^;]*?->(?:insert|insertGetId|insertOrIgnore'
        .'|insertUsing|upsert|update|updateOrInsert|delete|truncate|increment|decrement)\(/';

    private const SQL_WRITES = '/\b(?:INSERT(?: IGNORE)? INTO|REPLACE INTO|DELETE FROM|(?<!FOR '
        .')UPDATE)\s+`?([a-z_]+)`?/';

    /** @return list<string> */
    public static function named(string $php): array
    {
        return self::found($php, self::BUILDER, self::SQL);
    }

    /** @return list<string> */
    public static function written(string $php): array
    {
        return self::found($php, self::BUILDER_WRITES, self::SQL_WRITES);
    }

    /** @return list<string> */
    private static function found(string $php, string ...$patterns): array
    {
        $found = [];

        foreach ($patterns as $pattern) {
            preg_match_all($pattern, self::withoutComments($php), $matches);
            $found = [...$found, ...$matches[1]];
        }

        return array_values(array_unique($found));
    }

    private static function withoutComments(string $php): string
    {
        $kept = array_filter(
            token_get_all($php),
            static fn (array|string $token): bool => ! is_array($token)
                || ! in_array($token[0], [T_COMMENT, T_DOC_COMMENT], true),
        );

        return implode(
            '',
            array_map(static fn (array|string $token): string => is_array($token) ? $token[1] : $token, $kept),
        );
    }
}
