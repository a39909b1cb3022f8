<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Rewards\Programme;

/** "rewards": the points of a document, and the rewards they fill. */
final readonly class RewardsAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'points_per_unit', 'eligible', 'points_before', 'threshold', 'reward');
        $currency = $request->currency();
        $reward = $request->money('reward', $currency);
        $programme = $request->read(
            'points_per_unit',
            static fn (string $perUnit): Programme => $request->checked(
                'threshold',
                static fn (): Programme => Programme::of($perUnit, self::whole($request, 'threshold'), $reward),
            ),
        );
        $points = $request->checked(
            'eligible',
            static fn (): int => $programme->points($request->money('eligible', $currency)),
        );
        $earned = $programme->rewards(self::whole($request, 'points_before', '0') + $points);

        return [
            'points' => (string) $points,
            'points_after' => (string) $earned->left,
            'rewards' => $earned->rewards->toString(),
        ];
    }

    private static function whole(Node $request, string $key, ?string $default = null): int
    {
        $text = $request->string($key, $default);

        return preg_match('/^-?\d{1,15}$/D', $text) === 1
            ? (int) $text
            : throw new BadRequest('bad_points', "“{$text}” is not a whole number of points.", $request->at($key));
    }
}
