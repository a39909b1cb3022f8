<?php

declare(strict_types=1);

namespace Elmstone\Upkeep\Log;

use Elmstone\Support\Http\Secret;
use Illuminate\Database\QueryException;
use Illuminate\Log\Logger;
use Monolog\Logger as Monolog;
use Monolog\LogRecord;
use Throwable;

/**
 * What a log line never has: what was typed into a field that is secret, and the values of a statement that failed,
 * among which there may be some. Where it went wrong stays.
 */
final class WithoutSecrets
{
    private const LEFT_OUT = '[left out]';

    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        $monolog instanceof Monolog && $monolog->pushProcessor(self::clean(...));
    }

    public static function clean(LogRecord $record): LogRecord
    {
        $failure = $record->context['exception'] ?? null;
        $context = self::without($record->context);

        if ($failure instanceof Throwable && self::query($failure) !== null) {
            $query = self::query($failure);
            $context['exception'] = [
                'class' => $failure::class,
                'message' => self::message($query),
                'sql' => $query->getSql(),
                'file' => "{$failure->getFile()}:{$failure->getLine()}",
            ];

            return $record->with(message: self::message($query), context: $context);
        }

        return $record->with(context: $context);
    }

    /** The statement that failed, or what it led to. */
    private static function query(Throwable $failure): ?QueryException
    {
        for ($one = $failure; $one !== null; $one = $one->getPrevious()) {
            if ($one instanceof QueryException) {
                return $one;
            }
        }

        return null;
    }

    /** What the database said of it; a value it names is left out too. */
    private static function message(QueryException $query): string
    {
        return (string) preg_replace("/'[^']*'/", "'…'", $query->getPrevious()?->getMessage() ?? 'query failed');
    }

    /**
     * @param  array<mixed>  $context
     * @return array<mixed>
     */
    private static function without(array $context): array
    {
        foreach ($context as $name => $value) {
            $context[$name] = match (true) {
                in_array((string) $name, Secret::FIELDS, true) => self::LEFT_OUT,
                is_array($value) => self::without($value),
                default => $value,
            };
        }

        return $context;
    }
}
