<!doctype html>
<html lang="en">
<head>@include('design.head', ['title' => 'Counter'])</head>
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
