<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Elmstone\Core\Money\Refused;
use Elmstone\Support\Http\Navigation;
use Elmstone\Support\Http\Secret;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Support\Str;
use PDOException;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Throwable;

/** What people see when something goes wrong: plain words, and what to do now. */
final class Failures
{
    public static function answer(Exceptions $exceptions): void
    {
        $exceptions->dontFlash(Secret::FIELDS);
        $exceptions->dontReport(Refused::class);
        $exceptions->render(static fn (Throwable $failure): ?Response => self::databaseGone($failure));
        $exceptions->render(
            static fn (Refused $refused, Request $request): RedirectResponse => self::refused($refused, $request),
        );
        $exceptions->render(
            static fn (AuthenticationException $failure, Request $request): ?Response => self::signedOut($request),
        );
        $exceptions->render(static fn (PostTooLargeException $failure): RedirectResponse => back()->withErrors([
            'file' => 'That is more than can be sent at once. A picture or a paper may have 8 MB.',
            'refused' => 'That is more than can be sent at once; nothing was kept.',
        ]));
        $exceptions->render(
            static fn (HttpException $failure, Request $request): ?Response => self::expired($failure, $request),
        );
    }

    /** A form that was refused: back to where it was typed, with everything still in it. */
    private static function refused(Refused $refused, Request $request): RedirectResponse
    {
        return back()
            ->withInput($request->except(Secret::FIELDS))
            ->withErrors(['refused' => $refused->getMessage()]);
    }

    /** A part of a page that is fetched is nothing to come back to: the page itself goes to sign in. */
    private static function signedOut(Request $request): ?Response
    {
        return Navigation::is($request) ? null : response('', 401);
    }

    /** The session ran out while a page stood open: sign in, and everything is still there. */
    private static function expired(HttpException $failure, Request $request): ?Response
    {
        return $failure->getPrevious() instanceof TokenMismatchException && ! $request->user()
            ? redirect('/sign-in')
            : null;
    }

    /** Also where a page was being drawn when it went. */
    private static function databaseGone(Throwable $failure): ?Response
    {
        while (! $failure instanceof PDOException && $failure->getPrevious() !== null) {
            $failure = $failure->getPrevious();
        }

        if (! $failure instanceof PDOException) {
            return null;
        }

        $gone = Str::contains($failure->getMessage(), [
            '[2002]', '[2006]', '[2013]', '[1053]', '[1040]', 'Connection refused', 'server has gone away',
            'Lost connection', 'Lock wait timeout exceeded', '[1205]', '[1213]', 'Deadlock found', '[1047]', ' 1047 ',
            'Primary Component', 'WSREP',
        ]);

        return $gone ? response()->view('errors.503', [], 503, ['Retry-After' => '2']) : null;
    }
}
