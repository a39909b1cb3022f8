<nav class="sub" aria-label="Day">
    <a href="{{ route('till') }}" @if(request()->routeIs('till*') && ! request()->routeIs('till.terms*'))
        aria-current="page" @endif>Till</a>
    @can('bank')<a href="{{ route('safe') }}" @if(request()->routeIs('safe*')) aria-current="page" @endif>Safe and
        bank</a>@endcan
    @can('see-day')
    <a href="{{ route('day') }}" @if(request()->routeIs('day')) aria-current="page" @endif>Day sheet</a>
    <a href="{{ route('calendar') }}" @if(request()->routeIs('calendar*')) aria-current="page" @endif>Calendar</a>
    @endcan
    @can('set-house-terms')<a href="{{ route('till.terms') }}" @if(request()->routeIs('till.terms*'))
        aria-current="page" @endif>Terms</a>@endcan
</nav>
