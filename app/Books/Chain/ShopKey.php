<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Core\Proof\SigningKey;
use LogicException;

/** The key of this shop: as it is configured, or made from the key of the application, the same on every machine. */
final class ShopKey
{
    public static function find(): SigningKey
    {
        $configured = config('house.signing_key');

        if (is_string($configured) && $configured !== '') {
            $seed = base64_decode($configured, true);

            return is_string($seed) && strlen($seed) === SODIUM_CRYPTO_SIGN_SEEDBYTES
                ? SigningKey::of($seed)
                : throw new LogicException('ELMSTONE_SIGNING_KEY is not 32 bytes in base64.');
        }

        $app = config('app.key');

        return is_string($app) && $app !== ''
            ? SigningKey::of(hash_hkdf('sha256', $app, SODIUM_CRYPTO_SIGN_SEEDBYTES, 'elmstone signs closed days'))
            : throw new LogicException('Without APP_KEY nothing can be signed.');
    }
}
