<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * A statement or letter on its way to the mail server. Somebody may be at it right now, and then it is neither known to
 * be lost nor may it go again; long after that whoever was at it is gone, and nobody knows whether it went.
 */
final class OnItsWay
{
    public const STATE = 'mailing';

    /** Seconds: longer than a mail server is waited for. */
    private const AT_MOST = 300;

    public static function isUnsure(string $state, ?CarbonImmutable $since): bool
    {
        return $state === self::STATE && ($since === null || $since->lessThan(self::latest()));
    }

    /**
     * Only those of which nobody knows.
     *
     * @template T of Model
     *
     * @param  Builder<T>  $all
     * @return Builder<T>
     */
    public static function unsure(Builder $all): Builder
    {
        return $all->where('state', self::STATE)->where(
            static fn (Builder $old): Builder => $old->whereNull('mailing_at')->orWhere(
                'mailing_at', '<', self::latest()->format('Y-m-d H:i:s.v'),
            ),
        );
    }

    /**
     * Only those that may go again: they did not, or nobody knows.
     *
     * @template T of Model
     *
     * @param  Builder<T>  $all
     * @return Builder<T>
     */
    public static function mayGoAgain(Builder $all): Builder
    {
        return $all->where(static fn (Builder $either): Builder => $either->where('state', 'failed')->orWhere(
            static fn (Builder $lost): Builder => self::unsure($lost),
        ));
    }

    private static function latest(): CarbonImmutable
    {
        return CarbonImmutable::now()->subSeconds(self::AT_MOST);
    }
}
