<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <title>@yield('title', 'Counter') · Elmstone</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.scss', 'resources/js/app.js'])
</head>
<body>
<a class="skip" href="#main">Skip to the page</a>
@auth
    @php($menu = Elmstone\Support\Menu\Menu::of(auth()->user(), request()->route()?->getName()))
    @include('design.top', ['menu' => $menu])
    @if(app(Elmstone\Staff\AtTill::class)->till()->training)<p class="training" role="status">Training till:
        nothing is posted here. What you do is practice.</p>@endif
@endauth
<p id="banner" class="banner" role="status" hidden></p>
<main id="main">
    @auth @include('design.second', ['menu' => $menu])@endauth
    @yield('main')
</main>
</body>
</html>
