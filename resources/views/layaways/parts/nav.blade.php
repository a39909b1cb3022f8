<nav class="sub" aria-label="Layaways and deposits">
    <a href="{{ route('layaways') }}" @if(request()->routeIs('layaways*') && ! request()->routeIs('layaways.terms*'))
        aria-current="page" @endif>Layaways</a>
    <a href="{{ route('deposits') }}" @if(request()->routeIs('deposits*')) aria-current="page" @endif>Deposits</a>
    <a href="{{ route('plans') }}" @if(request()->routeIs('plans*')) aria-current="page" @endif>Payment plans</a>
    @can('take-payments')<a href="{{ route('due') }}" @if(request()->routeIs('due*')) aria-current="page"
        @endif>What is due</a>
    <a href="{{ route('reminders') }}" @if(request()->routeIs('reminders*')) aria-current="page"
        @endif>Reminders</a>@endcan
    @can('set-house-terms')<a href="{{ route('layaways.terms') }}" @if(request()->routeIs('layaways.terms*'))
        aria-current="page" @endif>Terms</a>@endcan
</nav>
