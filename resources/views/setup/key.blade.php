@extends('setup.frame')
@section('step')
<h1>Whose shop is this?</h1>
@if($isSet)
<p>Nobody can sign in yet. The machine on which this runs printed a key when it was started; it is in its
    <code>.env</code> too. Type it here once.</p>
<form method="post" action="{{ route('setup.key') }}" class="settings" autocomplete="off">@csrf
    <div><label for="key">Key</label><input class="form-control" id="key" name="key" autofocus required>
    @include('design.complaint', ['field' => 'key'])</div>
    <div class="wide"><button class="main-act go">Go on</button></div>
</form>
@else
<p>Nobody can sign in yet, and this machine has no key for setting up. Put one of 16 letters or more into
    <code>.env</code> as <code>ELMSTONE_SETUP_KEY</code>, and come back with it. Without a browser:
    <code>php artisan shop:install --from=shop.json</code>.</p>
@endif
@endsection
